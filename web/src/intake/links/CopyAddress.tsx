import { useState } from 'react';
import { say } from '../../messages/rooms';
import { Button } from '../../ui/parts';

/** Puts an address where it can be pasted. */
export function CopyAddress({ address, title }: { address: string; title: string }) {
  const [copied, setCopied] = useState(false);
  return (
    <Button
      className="min-h-7 px-2"
      onClick={() => {
        void navigator.clipboard.writeText(address).then(() => setCopied(true));
      }}
    >
      {copied ? say('links.copied') : say('links.copy')}
      <span className="sr-only">{title}</span>
    </Button>
  );
}

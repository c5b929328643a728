import { useState } from 'react';
import { useSay } from '../../messages/useSay';
import { FileButton } from '../../ui/FileButton';
import type { Mark } from '../useAct';
import { ofPicture } from './ofPicture';

/** A mark from a photograph or scan of one's own; its ground is taken away. */
export function OwnPicture({ onMark }: { onMark: (mark: Mark | undefined) => void }) {
  const words = useSay();
  const [picture, setPicture] = useState<string>();
  const [fault, setFault] = useState(false);
  async function take(file: File) {
    const made = await ofPicture(file).catch(() => undefined);
    setPicture(made);
    setFault(!made);
    onMark(made ? { how: 'picture', picture: made } : undefined);
  }
  return (
    <>
      <p className="text-soft">{words.say('mark.picture-hint')}</p>
      <span>
        <FileButton
          what={words.say('mark.picture')}
          accept="image/png,image/jpeg,image/webp"
          onFile={(file) => void take(file)}
        >
          {words.say('mark.choose-picture')}
        </FileButton>
      </span>
      {fault && (
        <p role="alert" className="text-oxide">
          {words.say('mark.no-strokes')}
        </p>
      )}
      {picture && (
        <img
          src={`data:image/png;base64,${picture}`}
          alt={words.say('mark.your-picture')}
          className="max-h-24 self-start border border-rule bg-[#fffefa] p-2"
        />
      )}
    </>
  );
}

import { useRef, type ReactNode } from 'react';
import { Button } from './parts';

/** A button that asks for a file; what is chosen is handed out at once. */
export function FileButton({
  what,
  accept,
  disabled = false,
  onFile,
  children,
}: {
  /** What the file is, for assistive technology. */
  what: string;
  accept: string;
  disabled?: boolean;
  onFile: (file: File) => void;
  children: ReactNode;
}) {
  const chooser = useRef<HTMLInputElement>(null);
  return (
    <>
      <Button disabled={disabled} onClick={() => chooser.current?.click()}>
        {children}
      </Button>
      <input
        ref={chooser}
        type="file"
        accept={accept}
        aria-label={what}
        className="hidden"
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) onFile(file);
          event.target.value = '';
        }}
      />
    </>
  );
}

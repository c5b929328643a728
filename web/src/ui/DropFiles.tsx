import { useRef, useState, type ReactNode } from 'react';
import { Button } from './parts';

/** Where files are dropped, or chosen with a button. */
export function DropFiles({
  says,
  what,
  accept,
  disabled,
  several = false,
  onFiles,
  children,
}: {
  /** What may be dropped there. */
  says: string;
  /** What the files are, for assistive technology. */
  what: string;
  accept: string;
  disabled: boolean;
  several?: boolean;
  onFiles: (files: File[]) => void;
  /** What stands on the button. */
  children: ReactNode;
}) {
  const chooser = useRef<HTMLInputElement>(null);
  const [over, setOver] = useState(false);
  const take = (files: FileList | null) => {
    if (files?.length) onFiles([...files]);
  };
  return (
    <div
      className={`mb-4 flex flex-wrap items-center gap-4 border border-dashed p-4 ${over ? 'border-ink bg-slatted' : 'border-edge bg-sheet'}`}
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        if (!disabled) take(event.dataTransfer.files);
      }}
    >
      <p className="mr-auto max-w-2xl text-soft">{says}</p>
      <Button disabled={disabled} onClick={() => chooser.current?.click()}>
        {children}
      </Button>
      <input
        ref={chooser}
        type="file"
        multiple={several}
        accept={accept}
        aria-label={what}
        className="hidden"
        onChange={(event) => {
          take(event.target.files);
          event.target.value = '';
        }}
      />
    </div>
  );
}

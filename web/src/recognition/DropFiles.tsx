import { useRef, useState } from 'react';
import { say } from '../messages/rooms';
import { Button } from '../ui/parts';

/** Where files are dropped, or chosen with a button. */
export function DropFiles({
  accept,
  disabled,
  onFiles,
}: {
  accept: string;
  disabled: boolean;
  onFiles: (files: File[]) => void;
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
      <p className="mr-auto max-w-2xl text-soft">{say('recognition.drop-here')}</p>
      <Button disabled={disabled} onClick={() => chooser.current?.click()}>
        {say('recognition.choose-files')}
      </Button>
      <input
        ref={chooser}
        type="file"
        multiple
        accept={accept}
        aria-label={say('recognition.finished-files')}
        className="hidden"
        onChange={(event) => {
          take(event.target.files);
          event.target.value = '';
        }}
      />
    </div>
  );
}

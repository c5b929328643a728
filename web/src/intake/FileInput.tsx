import { useMutation } from '@tanstack/react-query';
import { useContext } from 'react';
import { useSay } from '../messages/useSay';
import { Button, inputLook, Trouble } from '../ui/parts';
import { Desk } from './formDesk';
import type { PartsProps } from './inputProps';
import { useFormWords } from './formWords';

const accepted = { PDF: 'application/pdf', PICTURE: 'image/png,image/jpeg' } as const;

/** A file, kept by the server as soon as it is chosen; its name is shown. */
export function FileInput({ id, field, value, onChange, describedBy }: PartsProps) {
  const words = useSay();
  const text = useFormWords();
  const desk = useContext(Desk);
  const keep = useMutation({
    mutationFn: (file: File) => desk.keepFile(file, field),
    onSuccess: onChange,
  });
  const { hash, name } = fileOf(value);
  const at = desk.fileAt(hash, name);
  const kinds = field.files.kinds.length ? field.files.kinds : (['PDF', 'PICTURE'] as const);
  return (
    <div className="flex flex-col gap-2">
      {value && (
        <div className="flex flex-wrap items-center gap-3">
          {at ? (
            <a href={at} className="wrap-anywhere" download={name}>
              {name}
            </a>
          ) : (
            <span className="wrap-anywhere">{name}</span>
          )}
          <Button onClick={() => onChange('')}>{words.say('form.file-out')}</Button>
        </div>
      )}
      <input
        id={id}
        type="file"
        accept={kinds.map((kind) => accepted[kind]).join(',')}
        aria-label={text(field.label)}
        className={inputLook}
        disabled={keep.isPending}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) keep.mutate(file);
          // the same file can be chosen again after it was refused
          event.target.value = '';
        }}
        {...describedBy}
      />
      {keep.isPending && <p role="status">{words.say('form.file-coming')}</p>}
      <Trouble error={keep.error} />
    </div>
  );
}

/** A file's answer in its parts: its hash and its name. */
export function fileOf(answer: string): { hash: string; name: string } {
  const space = answer.indexOf(' ');
  return { hash: answer.slice(0, Math.max(0, space)), name: answer.slice(space + 1) };
}

import { useMutation } from '@tanstack/react-query';
import { useContext } from 'react';
import { useSay } from '../messages/useSay';
import { Button, inputLook, Trouble } from '../ui/parts';
import { Desk } from './formDesk';
import { useFormWords } from './formWords';
import type { PartsProps } from './inputProps';

/** A picture file, kept by the server as soon as it is chosen. */
export function PictureInput({ id, field, value, onChange, describedBy }: PartsProps) {
  const words = useSay();
  const text = useFormWords();
  const desk = useContext(Desk);
  const keep = useMutation({
    mutationFn: (file: File) => desk.keepPicture(file),
    onSuccess: onChange,
  });
  return (
    <div className="flex flex-col gap-2">
      {value && (
        <div className="flex items-end gap-3">
          <img
            src={desk.pictureAt(value)}
            alt={text(field.label)}
            className="max-h-32 max-w-64 border border-rule bg-sheet"
          />
          <Button onClick={() => onChange('')}>{words.say('form.picture-out')}</Button>
        </div>
      )}
      <input
        id={id}
        type="file"
        accept="image/png,image/jpeg"
        aria-label={text(field.label)}
        className={inputLook}
        onChange={(event) => {
          const file = event.target.files?.[0];
          if (file) keep.mutate(file);
        }}
        {...describedBy}
      />
      <Trouble error={keep.error} />
    </div>
  );
}

import { say, type RoomCode } from '../../../messages/rooms';
import { inputLook } from '../../../ui/parts';
import type { Field } from '../bench';
import { Setting } from './parts';

type Kind = Field['files']['kinds'][number];

const kinds: [Kind, RoomCode][] = [
  ['PDF', 'templates.files-pdf'],
  ['PICTURE', 'templates.files-pictures'],
];

/** What is settled of some kinds of data only: the choices of one of a list, and which files are taken. */
export function FieldExtras({
  field,
  onChange,
}: {
  field: Field;
  onChange: (part: Partial<Field>) => void;
}) {
  if (field.type === 'CHOICE')
    return (
      <>
        <Setting label={say('templates.choices-one-a-line')}>
          <textarea
            className={inputLook}
            rows={3}
            value={field.choices.join('\n')}
            onChange={(event) => onChange({ choices: event.target.value.split('\n') })}
            onBlur={() =>
              onChange({ choices: field.choices.map((one) => one.trim()).filter(Boolean) })
            }
          />
        </Setting>
        <label className="flex min-h-8 items-center gap-2">
          <input
            type="checkbox"
            className="size-5"
            checked={field.ownAnswer}
            onChange={(event) => onChange({ ownAnswer: event.target.checked })}
          />
          {say('templates.own-answer')}
        </label>
      </>
    );
  if (field.type !== 'FILE') return null;
  const { files } = field;
  const taken = files.kinds.length ? files.kinds : kinds.map(([kind]) => kind);
  return (
    <fieldset className="flex flex-wrap items-end gap-x-4 gap-y-1">
      <legend className="text-soft">{say('templates.files-taken')}</legend>
      {kinds.map(([kind, words]) => (
        <label key={kind} className="flex min-h-8 items-center gap-2">
          <input
            type="checkbox"
            className="size-5"
            checked={taken.includes(kind)}
            // one kind at least
            disabled={taken.length === 1 && taken.includes(kind)}
            onChange={(event) =>
              onChange({
                files: {
                  ...files,
                  kinds: kinds
                    .map(([one]) => one)
                    .filter((one) => (one === kind ? event.target.checked : taken.includes(one))),
                },
              })
            }
          />
          {say(words)}
        </label>
      ))}
      <Setting label={say('templates.files-largest')} className="w-24">
        <input
          type="number"
          min={1}
          max={5}
          className={inputLook}
          value={files.megabytes}
          onChange={(event) =>
            onChange({
              files: { ...files, megabytes: Math.min(5, Math.max(1, Number(event.target.value))) },
            })
          }
        />
      </Setting>
    </fieldset>
  );
}

import { useMutation } from '@tanstack/react-query';
import { upload, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { FileButton } from '../../ui/FileButton';
import { Button, inputLook, Trouble } from '../../ui/parts';
import type { TermsProps } from './Terms';

/** What goes along with every invitation: files of the template's own, and pictures of the data. */
export function Enclosures({ settings, sending, onChange }: TermsProps) {
  const pictures = settings.fields.filter(({ type }) => type === 'PICTURE');
  const attach = useMutation({
    mutationFn: (file: File) =>
      upload<Schemas['KeptAttachment']>('/api/v1/templates/attachments', file),
    onSuccess: ({ name, file }) =>
      onChange({ attachments: [...sending.attachments, { name, file }] }),
  });
  return (
    <section aria-label={say('templates.goes-along')} className="flex flex-col gap-2">
      <h2 className="text-lg">{say('templates.goes-along')}</h2>
      {!sending.attachments.length && !pictures.length && (
        <p className="text-soft">{say('templates.nothing-goes-along')}</p>
      )}
      <ul className="flex flex-col gap-1">
        {sending.attachments.map((one, at) => (
          <li key={`${one.file} ${at}`} className="flex items-center gap-2">
            <input
              aria-label={say('templates.name-of-file', { number: at + 1 })}
              className={inputLook}
              value={one.name}
              onChange={(event) =>
                onChange({
                  attachments: sending.attachments.map((other, i) =>
                    i === at ? { ...other, name: event.target.value } : other,
                  ),
                })
              }
            />
            <Button
              className="whitespace-nowrap"
              onClick={() =>
                onChange({ attachments: sending.attachments.filter((_, i) => i !== at) })
              }
            >
              {say('templates.take-file-away', { number: at + 1 })}
            </Button>
          </li>
        ))}
        {pictures.map(({ name, label }) => (
          <li key={name}>
            <label className="flex min-h-8 items-center gap-2">
              <input
                type="checkbox"
                checked={sending.attachedFields.includes(name)}
                onChange={(event) =>
                  onChange({
                    attachedFields: event.target.checked
                      ? [...sending.attachedFields, name]
                      : sending.attachedFields.filter((one) => one !== name),
                  })
                }
              />
              {say('templates.picture-of-the-data', { label })}
            </label>
          </li>
        ))}
      </ul>
      <Trouble error={attach.error} />
      <div>
        <FileButton
          what={say('templates.file-that-goes-along')}
          accept=".pdf,.png,.jpg,.jpeg"
          disabled={attach.isPending}
          onFile={(file) => attach.mutate(file)}
        >
          {say('templates.add-a-file')}
        </FileButton>
      </div>
    </section>
  );
}

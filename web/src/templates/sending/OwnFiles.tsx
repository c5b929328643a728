import { useMutation } from '@tanstack/react-query';
import { upload, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { FileButton } from '../../ui/FileButton';
import { Button, inputLook, Trouble } from '../../ui/parts';

type Attachment = Schemas['Attachment'];

/** Files of a template's own that go along with mails, with the names that readers see. */
export function OwnFiles({
  files,
  onChange,
}: {
  files: Attachment[];
  onChange: (files: Attachment[]) => void;
}) {
  const attach = useMutation({
    mutationFn: (file: File) =>
      upload<Schemas['KeptAttachment']>('/api/v1/templates/attachments', file),
    onSuccess: ({ name, file }) => onChange([...files, { name, file }]),
  });
  return (
    <>
      <ul className="flex flex-col gap-1">
        {files.map((one, at) => (
          <li key={`${one.file} ${at}`} className="flex items-center gap-2">
            <input
              aria-label={say('templates.name-of-file', { number: at + 1 })}
              className={inputLook}
              value={one.name}
              onChange={(event) =>
                onChange(
                  files.map((other, i) =>
                    i === at ? { ...other, name: event.target.value } : other,
                  ),
                )
              }
            />
            <Button
              className="whitespace-nowrap"
              onClick={() => onChange(files.filter((_, i) => i !== at))}
            >
              {say('templates.take-file-away', { number: at + 1 })}
            </Button>
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
    </>
  );
}

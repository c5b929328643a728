import { say } from '../messages/rooms';
import { DialogShell } from '../ui/DialogShell';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, upload, type Schemas } from '../api/client';
import { FileButton } from '../ui/FileButton';
import { Button, Trouble } from '../ui/parts';

type Detail = Schemas['TemplateDetail'];
type Comparison = Schemas['WordingComparison'];

/** Takes a changed Word file back: what is new, gone or renamed is shown before it is accepted. */
export function BringBack({
  detail,
  document,
  onTaken,
}: {
  detail: Detail;
  /** The wording that the file replaces. */
  document: string;
  onTaken: (detail: Detail) => void;
}) {
  const [comparison, setComparison] = useState<Comparison>();
  const [confirmed, setConfirmed] = useState<string[]>([]);
  const compare = useMutation({
    mutationFn: (file: File) =>
      upload<Comparison>(
        `/api/v1/templates/${detail.id}/wording/comparison?document=${document}`,
        file,
      ),
    onSuccess: (found) => {
      setConfirmed(found.renames.map((one) => one.from));
      setComparison(found);
    },
  });
  const accept = useMutation({
    mutationFn: ({ file, renames }: Comparison) =>
      answer(
        api.POST('/api/v1/templates/{id}/wording/acceptance', {
          params: { path: { id: detail.id } },
          body: {
            revision: detail.revision,
            document,
            file,
            renames: Object.fromEntries(
              renames
                .filter((one) => confirmed.includes(one.from))
                .map((one) => [one.from, one.to]),
            ),
          },
        }),
      ),
    onSuccess: (next) => {
      setComparison(undefined);
      onTaken(next);
    },
  });
  return (
    <>
      <FileButton
        what={say('templates.changed-word-file')}
        accept=".docx"
        disabled={compare.isPending}
        onFile={(file) => compare.mutate(file)}
      >
        {say('templates.bring-back-a-changed-word')}
      </FileButton>
      <Trouble error={compare.error} />
      <DialogShell
        open={comparison !== undefined}
        title={say('templates.what-the-file-would-change')}
        width="wide"
        onClose={() => setComparison(undefined)}
      >
        <div className="flex flex-col gap-4">
          {comparison && (
            <>
              <Names title={say('templates.new-in-the-wording')} names={comparison.added} />
              <Names title={say('templates.no-longer-in-the-wording')} names={comparison.gone} />
              {!comparison.added.length && !comparison.gone.length && (
                <p>{say('templates.the-same-fields-and-parties')}</p>
              )}
              {comparison.renames.length > 0 && (
                <fieldset className="flex flex-col gap-1">
                  <legend className="font-medium">
                    {say('templates.renamed-then-the-settings-go')}
                  </legend>
                  {comparison.renames.map((one) => (
                    <label key={one.from} className="flex min-h-8 items-center gap-2">
                      <input
                        type="checkbox"
                        className="size-5"
                        checked={confirmed.includes(one.from)}
                        onChange={(event) =>
                          setConfirmed(
                            event.target.checked
                              ? [...confirmed, one.from]
                              : confirmed.filter((name) => name !== one.from),
                          )
                        }
                      />
                      <span className="font-mono">{one.from}</span>
                      {say('templates.is-now-called')}
                      <span className="font-mono">{one.to}</span>
                    </label>
                  ))}
                </fieldset>
              )}
              {comparison.diagnostics.length > 0 && (
                <div>
                  <h3 className="font-medium">{say('templates.to-mend-in-it')}</h3>
                  <ul className="list-disc pl-5">
                    {comparison.diagnostics.map((one, i) => (
                      <li key={i}>
                        {one.message} <q className="font-mono text-soft">{one.place}</q>
                      </li>
                    ))}
                  </ul>
                </div>
              )}
              <Trouble error={accept.error} />
              <div className="flex gap-2">
                <Button
                  look="main"
                  disabled={accept.isPending}
                  onClick={() => accept.mutate(comparison)}
                >
                  {say('templates.accept-this-wording')}
                </Button>
                <Button onClick={() => setComparison(undefined)}>
                  {say('templates.keep-the-old-one')}
                </Button>
              </div>
            </>
          )}
        </div>
      </DialogShell>
    </>
  );
}

function Names({ title, names }: { title: string; names: string[] }) {
  if (!names.length) return null;
  return (
    <div>
      <h3 className="font-medium">{title}</h3>
      <p className="font-mono">{names.join(', ')}</p>
    </div>
  );
}

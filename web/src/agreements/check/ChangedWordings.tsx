import { useMutation } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { Button, Trouble } from '../../ui/parts';

type Document = Schemas['DocumentView'];

/** Where this agreement says something else than its template: what was struck out, and what was put in. */
export function ChangedWordings({
  number,
  documents,
  onTook,
}: {
  number: string;
  documents: Document[];
  /** Told when words are taken back; without it none can be. */
  onTook?: (() => void) | undefined;
}) {
  const changed = documents.filter((one) => one.changed.length > 0);
  const takeBack = useMutation({
    mutationFn: (document: string) =>
      answer(
        api.DELETE('/api/v1/agreements/{number}/documents/{document}/wording', {
          params: { path: { number, document } },
        }),
      ),
    onSuccess: onTook,
  });
  if (!changed.length) return null;
  return (
    <section aria-label={say('agreements.changed-words')}>
      <h2 className="pb-1 text-lg">{say('agreements.changed-words')}</h2>
      <Trouble error={takeBack.error} />
      {changed.map(({ id, title, changed: paragraphs }) => (
        <div key={id} className="flex flex-col items-start gap-2 pb-2">
          {documents.length > 1 && <h3 className="text-soft">{title}</h3>}
          {paragraphs.map(({ pieces }, i) => (
            <p key={i} className="bg-sheet px-3 py-2 font-serif whitespace-pre-line">
              {pieces.map(({ fate, text }, at) =>
                fate === 'STRUCK' ? (
                  <del key={at} className="text-oxide">
                    {text}
                  </del>
                ) : fate === 'PUT_IN' ? (
                  <ins key={at} className="text-moss underline">
                    {text}
                  </ins>
                ) : (
                  <span key={at}>{text}</span>
                ),
              )}
            </p>
          ))}
          {onTook && (
            <Button disabled={takeBack.isPending} onClick={() => takeBack.mutate(id)}>
              {say('agreements.back-to-the-template')}
            </Button>
          )}
        </div>
      ))}
    </section>
  );
}

import { useMutation, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Trouble } from '../ui/parts';

type Likely = Schemas['LikelyTemplate'];

/** The templates that a file may have been made from, with how sure each is. */
export function Candidates({
  detail,
  fixed,
}: {
  detail: Schemas['FinishedFileDetail'];
  fixed: boolean;
}) {
  const { row, candidates } = detail;
  const queries = useQueryClient();
  const choose = useMutation({
    mutationFn: (one: Likely) =>
      answer(
        api.PUT('/api/v1/finished-files/{id}/template', {
          params: { path: { id: row.id } },
          body: { version: one.version, document: one.document, revision: row.revision },
        }),
      ),
    onSuccess: (taken) => queries.setQueryData(['finished-file', row.id], taken),
  });
  return (
    <section aria-label={say('recognition.what-it-is')}>
      <h2 className="pb-2 text-lg">{say('recognition.what-it-is')}</h2>
      {candidates.length === 0 && <p className="text-soft">{say('recognition.like-none')}</p>}
      <ul className="flex flex-col gap-2">
        {candidates.map((one) => (
          <li key={`${one.version} ${one.document}`}>
            <label className="flex items-baseline gap-2">
              <input
                type="radio"
                name="candidate"
                className="size-4 self-center"
                checked={one.chosen}
                disabled={fixed || choose.isPending}
                onChange={() => choose.mutate(one)}
              />
              <span className="mr-auto">
                <span className="font-medium">{called(one)}</span>
                <span className="block text-soft">{edges(one)}</span>
              </span>
              <span className={one.sure ? 'text-moss' : 'text-clay'}>
                {say(one.sure ? 'recognition.sure' : 'recognition.perhaps', {
                  likeness: one.likeness,
                })}
              </span>
            </label>
          </li>
        ))}
      </ul>
      <Trouble error={choose.error} />
    </section>
  );
}

const called = ({ template, title }: Likely) => (title ? `${template}: ${title}` : template);

const edges = ({ begins, ends }: Likely) => say('recognition.edges', { begins, ends });

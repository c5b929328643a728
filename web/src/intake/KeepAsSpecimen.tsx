import { useMutation } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { Button, Trouble } from '../ui/parts';

/** Keeps a request's data with the draft of its template, persons replaced. */
export function KeepAsSpecimen({ number }: { number: string }) {
  const keep = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/v1/requests/{number}/specimen', {
          params: { path: { number } },
          body: { name: say('intake.from', { number }) },
        }),
      ),
  });
  if (keep.data) return <Replaced replaced={keep.data.replaced} />;
  return (
    <>
      <Button disabled={keep.isPending} onClick={() => keep.mutate()}>
        {say('intake.keep-as-a-specimen-persons')}
      </Button>
      <Trouble error={keep.error} />
    </>
  );
}

/** What was put in the place of persons' data; what is named in free text only, a person has to find. */
function Replaced({ replaced }: { replaced: Schemas['Replacement'][] }) {
  return (
    <details className="max-w-xl" open>
      <summary className="text-moss">
        {say('intake.kept-as-a-specimen-of', { count: replaced.length })}
      </summary>
      <p className="text-clay">{say('intake.look-it-over-under-specimens')}</p>
      <ul className="text-soft">
        {replaced.map((one, i) => (
          <li key={i}>
            {one.field}: <s>{one.before}</s> {one.after || say('intake.left-out')}
          </li>
        ))}
      </ul>
    </details>
  );
}

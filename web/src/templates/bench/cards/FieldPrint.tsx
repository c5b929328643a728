import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../../api/client';
import { say } from '../../../messages/rooms';
import { inputLook, Trouble } from '../../../ui/parts';
import { useDraftAct } from '../../useDraftAct';
import type { Bench, Field } from '../bench';
import { Setting } from './parts';

const several = '\u0000';

/** How a value prints wherever the wording has it, chosen by example. */
export function FieldPrint({
  bench: { detail, fixed, unsaved, took },
  name,
  type,
}: {
  bench: Bench;
  name: string;
  type: Field['type'];
}) {
  const { id, revision } = detail;
  const prints = useQuery({
    queryKey: ['prints', id, revision, name, type],
    queryFn: () =>
      answer(
        api.GET('/api/v1/templates/{id}/fields/{name}/prints', { params: { path: { id, name } } }),
      ),
    enabled: !unsaved,
    placeholderData: (before) => before,
  });
  const set = useDraftAct(
    id,
    (known, print: string) =>
      answer(
        api.POST('/api/v1/templates/{id}/wording/printing', {
          params: { path: { id } },
          body: { revision: known, name, print },
        }),
      ),
    took,
  );
  const { samples = [], used = [] } = prints.data ?? {};
  if (samples.length < 2 && !used.length) return null;
  const now = used.length > 1 ? several : (used[0] ?? '');
  const known = samples.some(({ print }) => print === now);
  return (
    <>
      <Setting label={say('templates.prints-as')}>
        <select
          className={inputLook}
          disabled={fixed || unsaved || set.isPending}
          value={now}
          onChange={(event) => set.mutate(event.target.value)}
        >
          {samples.map(({ print, sample }) => (
            <option key={print} value={print}>
              {sample && print
                ? say('templates.sample-of-print', { sample, print })
                : sample || print || say('templates.as-it-is')}
            </option>
          ))}
          {now === several && (
            <option value={several}>{say('templates.differs', { prints: used.join(', ') })}</option>
          )}
          {!known && now !== several && <option value={now}>{now}</option>}
        </select>
      </Setting>
      <Trouble error={set.error} />
    </>
  );
}

import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';
import type { Words } from '../../page/words';
import { Button, Trouble } from '../../ui/parts';
import { useDraftAct } from '../useDraftAct';
import type { Bench } from './bench';

export type Further = { further: number; name: string; label: string; words: Words };

/** After words became a field: the same words elsewhere can become it too. */
export function SameWords({
  bench: { detail, document, took },
  of,
  onDone,
}: {
  bench: Bench;
  of: Further;
  onDone: () => void;
}) {
  const path = { params: { path: { id: detail.id } } };
  const everywhere = useDraftAct(
    detail.id,
    async (known, { name, label, words }: Further) => {
      const { revision } = await answer(
        api.POST('/api/v1/templates/{id}/undo', { ...path, body: { revision: known } }),
      );
      return answer(
        api.POST('/api/v1/templates/{id}/wording/acts', {
          ...path,
          body: { revision, document, act: 'MARK_FIELD', name, label, words, everywhere: true },
        }),
      );
    },
    (done) => {
      took(done.template);
      onDone();
    },
  );
  return (
    <div
      role="status"
      className="fixed bottom-4 left-1/2 z-30 flex -translate-x-1/2 flex-wrap items-center gap-3 border border-edge border-l-4 border-l-slate bg-sheet px-3 py-2 shadow-page"
    >
      <span>{say('templates.the-same-words-stand-in', { further: of.further })}</span>
      <Button disabled={everywhere.isPending} onClick={() => everywhere.mutate(of)}>
        {say('templates.make-the-field-too', { further: of.further, name: of.name })}
      </Button>
      <Button onClick={onDone}>{say('templates.leave', { further: of.further })}</Button>
      <Trouble error={everywhere.error} />
    </div>
  );
}

import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { DialogShell } from '../../ui/DialogShell';
import { Button, Trouble } from '../../ui/parts';

const most = 12;

/** Which of a template's data are columns of the archive, in their order. */
export function ChooseColumns({
  template,
  name,
  columns,
  onClose,
}: {
  template: string;
  name: string;
  columns: Schemas['TemplateColumnsView'];
  onClose: () => void;
}) {
  const [chosen, setChosen] = useState(columns.chosen.map(({ key }) => key));
  const queries = useQueryClient();
  const keep = useMutation({
    mutationFn: () =>
      answer(
        api.PUT('/api/v1/archive/templates/{id}/columns', {
          params: { path: { id: template } },
          body: { columns: chosen },
        }),
      ),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ['archive'] });
      onClose();
    },
  });
  const known = new Map([...columns.chosen, ...columns.offered].map((one) => [one.key, one.label]));
  const rest = [...known.keys()].filter((key) => !chosen.includes(key));
  const earlier = (at: number) => {
    const next = [...chosen];
    const [moved] = next.splice(at, 1);
    if (moved) next.splice(at - 1, 0, moved);
    setChosen(next);
  };
  return (
    <DialogShell open title={say('archive.columns-of', { name })} onClose={onClose}>
      <p className="pb-3 text-soft">{say('archive.columns-hint', { most })}</p>
      <ul aria-label={say('archive.columns')} className="flex flex-col">
        {[...chosen, ...rest].map((key, at) => {
          const ticked = at < chosen.length;
          const label = known.get(key) ?? key;
          return (
            <li key={key} className="flex min-h-9 items-center gap-3 border-b border-rule">
              <label className="mr-auto flex items-center gap-2">
                <input
                  type="checkbox"
                  className="size-5"
                  checked={ticked}
                  disabled={!ticked && chosen.length >= most}
                  onChange={() =>
                    setChosen(ticked ? chosen.filter((one) => one !== key) : [...chosen, key])
                  }
                />
                {label}
              </label>
              {ticked && at > 0 && (
                <button
                  type="button"
                  className="min-h-7 px-2 underline underline-offset-3"
                  aria-label={say('archive.column-earlier', { label })}
                  onClick={() => earlier(at)}
                >
                  {say('archive.earlier')}
                </button>
              )}
            </li>
          );
        })}
      </ul>
      <Trouble error={keep.error} />
      <div className="flex gap-3 pt-4">
        <Button look="main" disabled={keep.isPending} onClick={() => keep.mutate()}>
          {say('archive.keep-columns')}
        </Button>
        <Button onClick={onClose}>{say('archive.leave-as-it-is')}</Button>
      </div>
    </DialogShell>
  );
}

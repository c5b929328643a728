import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { answer, api, type Schemas } from '../api/client';
import { say } from '../messages/rooms';
import { inputLook, Trouble } from '../ui/parts';

/** A cell of a table that was brought in: what is wrong with it stands under it, and it is typed over where it stands. */
export function MendCell({
  table,
  row,
  column,
  label,
  mendable,
}: {
  table: Schemas['TableDetail'];
  row: Schemas['TableRow'];
  column: number;
  label: string;
  mendable: boolean;
}) {
  const [typed, setTyped] = useState<string>();
  const button = useRef<HTMLButtonElement>(null);
  const again = useRef(false);
  const queries = useQueryClient();
  const text = row.cells[column] ?? '';
  const join = table.settings.joins[column] ?? '';
  const fault = join ? row.faults[join] : undefined;
  const instead = join ? row.instead[join] : undefined;
  const mend = useMutation({
    mutationFn: (to: string) =>
      answer(
        api.PUT('/api/v1/tables/{id}/rows/{number}', {
          params: { path: { id: table.id, number: row.number } },
          body: { cells: { [column]: to } },
        }),
      ),
    onSuccess: async () => {
      // another row may have had the same key
      await queries.invalidateQueries({ queryKey: ['table-rows', table.id] });
      await queries.invalidateQueries({ queryKey: ['table', table.id] });
      setTyped(undefined);
    },
  });
  useEffect(() => {
    if (typed !== undefined || !again.current) return;
    again.current = false;
    button.current?.focus();
  }, [typed]);
  const keep = (to: string) => {
    if (to === text) setTyped(undefined);
    else mend.mutate(to);
  };
  const name = say('tables.cell', { column: label, row: row.number });
  return (
    <div className="flex min-w-28 flex-col">
      {typed !== undefined ? (
        <input
          autoFocus
          aria-label={name}
          className={`${inputLook} min-h-7`}
          value={typed}
          disabled={mend.isPending}
          onChange={(event) => setTyped(event.target.value)}
          onBlur={() => !mend.isPending && keep(typed)}
          onKeyDown={(event) => {
            if (event.key === 'Escape' || event.key === 'Enter') again.current = true;
            if (event.key === 'Escape') setTyped(undefined);
            if (event.key === 'Enter') keep(typed);
          }}
        />
      ) : mendable ? (
        <button
          ref={button}
          type="button"
          aria-label={say('tables.change-cell', { cell: name, text })}
          className={`min-h-7 rounded-sm border px-1 text-left wrap-anywhere hover:border-edge ${fault ? 'border-oxide' : 'border-transparent'}`}
          onClick={() => setTyped(text)}
        >
          {text || <span aria-hidden="true">{'\u00a0'}</span>}
        </button>
      ) : (
        <span className="px-1 py-0.5 wrap-anywhere">{text}</span>
      )}
      {instead !== undefined && (
        <span className="px-1 text-sm text-soft">
          {instead ? <s>{instead}</s> : say('tables.nothing-now')}
        </span>
      )}
      {fault && <span className="px-1 text-sm text-oxide">{fault}</span>}
      <Trouble error={mend.error} />
    </div>
  );
}

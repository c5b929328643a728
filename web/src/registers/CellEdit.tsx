import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { answer, api, Problem } from '../api/client';
import { typedData } from '../intake/typing';
import { say } from '../messages/rooms';
import { inputLook } from '../ui/parts';
import { editedInCell, LANGUAGE, type RegisterColumn, type Row } from './registers';
import { RowChoice } from './RowChoice';

/** A cell of a register, changed where it stands: double click or Enter begins, Enter keeps, Escape leaves it as it was. */
export function CellEdit({
  register,
  row,
  column,
}: {
  register: string;
  row: Row;
  column: RegisterColumn;
}) {
  const [editing, setEditing] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const again = useRef(false);
  useEffect(() => {
    if (editing || !again.current) return;
    again.current = false;
    button.current?.focus();
  }, [editing]);
  const shown = row.printed[column.field.name] ?? '';
  if (row.gone || !editedInCell(column)) return <span className="wrap-anywhere">{shown}</span>;
  const leave = (focus: boolean) => {
    again.current = focus;
    setEditing(false);
  };
  if (editing)
    return <Editing register={register} row={row} column={column} onDone={leave} shown={shown} />;
  return (
    <button
      ref={button}
      type="button"
      aria-label={say('registers.change-cell', {
        column: column.field.label,
        row: row.label,
        value: shown,
      })}
      className="min-h-7 w-full rounded-sm border border-transparent px-1 text-left wrap-anywhere hover:border-edge"
      onClick={() => setEditing(true)}
    >
      {shown}
      {!shown && <span aria-hidden="true">{'\u00a0'}</span>}
    </button>
  );
}

function Editing({
  register,
  row,
  column,
  shown,
  onDone,
}: {
  register: string;
  row: Row;
  column: RegisterColumn;
  shown: string;
  onDone: (focus: boolean) => void;
}) {
  const { field, related } = column;
  const queries = useQueryClient();
  const [value, setValue] = useState(() =>
    field.type === 'DATE' || related
      ? (row.values[field.name] ?? '')
      : (typedData([field], row.values, LANGUAGE)[field.name] ?? ''),
  );
  const begun = useRef(value);
  const save = useMutation({
    mutationFn: (to: string) =>
      answer(
        api.PUT('/api/v1/registers/{register}/rows/{id}', {
          params: { path: { register, id: row.id } },
          body: { revision: row.revision, values: { [field.name]: to }, language: LANGUAGE },
        }),
      ),
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ['register-rows', register] });
      await queries.invalidateQueries({ queryKey: ['register-row', register, row.id] });
    },
  });
  const keep = (to: string, focus: boolean) => {
    if (to === begun.current) onDone(focus);
    else save.mutate(to, { onSuccess: () => onDone(focus) });
  };
  const press = (event: KeyboardEvent) => {
    event.stopPropagation();
    if (event.key === 'Escape') onDone(true);
    if (event.key === 'Enter') {
      event.preventDefault();
      keep(value, true);
    }
  };
  const label = say('registers.cell-of', { column: field.label, row: row.label });
  const fault =
    save.error instanceof Problem
      ? (save.error.faults[field.name] ?? Object.values(save.error.faults)[0] ?? save.error.message)
      : save.error?.message;
  const shared = {
    'aria-label': label,
    'aria-invalid': fault ? true : undefined,
    className: `${inputLook} min-h-7`,
    value,
    disabled: save.isPending,
    onKeyDown: press,
    // leaving a cell keeps it, unless it can't be kept
    onBlur: () => !save.isPending && !fault && keep(value, false),
  };
  return (
    <div className="flex flex-col gap-1">
      {related ? (
        <div onKeyDown={(event) => event.key === 'Escape' && onDone(true)} className="flex gap-1">
          <div className="grow">
            <RowChoice
              register={related}
              label={label}
              shown={shown}
              autoFocus
              onChoose={(chosen) => keep(chosen.id, true)}
            />
          </div>
          {shown && (
            <button
              type="button"
              className="min-h-7 px-2 text-soft"
              aria-label={say('registers.empty-cell', { column: field.label, row: row.label })}
              onClick={() => keep('', true)}
            >
              ×
            </button>
          )}
        </div>
      ) : field.type === 'CHOICE' || field.type === 'YES_NO' ? (
        <select {...shared} autoFocus onChange={(event) => setValue(event.target.value)}>
          <option value="">–</option>
          {(field.type === 'YES_NO' ? ['yes', 'no'] : field.choices).map((one) => (
            <option key={one} value={one}>
              {one}
            </option>
          ))}
        </select>
      ) : (
        <input
          {...shared}
          autoFocus
          type={field.type === 'DATE' ? 'date' : 'text'}
          onChange={(event) => setValue(event.target.value)}
        />
      )}
      {fault && (
        <p role="alert" className="text-sm text-oxide">
          {fault}
        </p>
      )}
    </div>
  );
}

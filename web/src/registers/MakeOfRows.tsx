import { useMutation } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { answer, api } from '../api/client';
import { say } from '../messages/rooms';
import { Trouble } from '../ui/parts';
import { useRowTemplates } from './registers';

/** Makes agreements of rows that are ticked, or of all that a list shows, with a template whose form looks them up. */
export function MakeOfRows({
  register,
  find,
  where,
  ticked,
  count,
}: {
  register: string;
  find: string;
  where: string[];
  /** Rows that were chosen one by one; none for all of the list. */
  ticked: string[];
  /** How many rows the list has. */
  count: number;
}) {
  const navigate = useNavigate();
  const templates = useRowTemplates(register);
  const make = useMutation({
    mutationFn: ({ template, question }: { template: string; question: string }) =>
      answer(
        api.POST('/api/v1/runs/of-rows', {
          body: { template, question, register, find, where, rows: ticked.length ? ticked : null },
        }),
      ),
    onSuccess: (table) => void navigate(`/tables/${table.id}`),
  });
  if (!templates.data?.length || !count) return null;
  return (
    <>
      <select
        aria-label={say('registers.make-of-rows', { count })}
        className="min-h-8 rounded-sm border border-edge bg-sheet px-2"
        value=""
        disabled={make.isPending}
        onChange={(event) => {
          const chosen = templates.data[Number(event.target.value)];
          if (chosen) make.mutate(chosen);
        }}
      >
        <option value="">{say('registers.make-of-rows', { count })}</option>
        {templates.data.map(({ name, label }, i) => (
          <option key={i} value={i}>
            {say('registers.make-with', { template: name, question: label })}
          </option>
        ))}
      </select>
      <Trouble error={make.error} />
    </>
  );
}

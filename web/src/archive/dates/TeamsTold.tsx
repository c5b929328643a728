import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { say } from '../../messages/rooms';

/** Teams of the office whose people are told of a date; nothing where there are none. */
export function TeamsTold({
  chosen,
  fault,
  onChange,
}: {
  chosen: string[];
  fault: string | undefined;
  onChange: (teams: string[]) => void;
}) {
  const teams = useQuery({
    queryKey: ['teams'],
    queryFn: () => answer(api.GET('/api/v1/teams')),
  });
  const all = teams.data ?? [];
  const gone = chosen.filter((id) => !all.some((team) => team.id === id));
  if (all.length === 0 && chosen.length === 0) return null;
  const tick = (id: string, name: string) => (
    <label key={id} className="flex items-center gap-2">
      <input
        type="checkbox"
        className="size-5"
        checked={chosen.includes(id)}
        onChange={(event) =>
          onChange(event.target.checked ? [...chosen, id] : chosen.filter((one) => one !== id))
        }
      />
      {name}
    </label>
  );
  return (
    <fieldset className="min-w-0">
      <legend className="pb-1 font-medium">{say('dates.teams')}</legend>
      <div className="flex flex-wrap gap-x-6 gap-y-1">
        {all.map((team) => tick(team.id, team.name))}
        {teams.data && gone.map((id) => tick(id, say('dates.team-gone')))}
      </div>
      {fault && <p className="text-oxide">{fault}</p>}
    </fieldset>
  );
}

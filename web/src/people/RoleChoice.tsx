import { say } from '../messages/rooms';
import { roles, type Role } from '../office/roles';
import { roleName, roleTasks } from './people';

/** What somebody may do here; several can be chosen. */
export function RoleChoice({
  chosen,
  fault,
  legend,
  onChange,
}: {
  chosen: Role[];
  fault?: string | undefined;
  legend: string;
  onChange: (roles: Role[]) => void;
}) {
  return (
    <fieldset className="min-w-0" aria-describedby={fault ? 'roles-fault' : undefined}>
      <legend className="pb-1 font-medium">{legend}</legend>
      <div className="border-t border-rule">
        {roles.map((role) => (
          <label
            key={role}
            className="grid grid-cols-[1.25rem_8rem_1fr] items-start gap-2 border-b border-rule py-1.5"
          >
            <input
              type="checkbox"
              className="mt-0.5"
              checked={chosen.includes(role)}
              onChange={(event) =>
                onChange(
                  roles.filter((one) =>
                    one === role ? event.target.checked : chosen.includes(one),
                  ),
                )
              }
            />
            <span>{roleName(role)}</span>
            <span className="text-soft">{say(roleTasks[role])}</span>
          </label>
        ))}
      </div>
      {fault && (
        <p id="roles-fault" className="pt-1 text-oxide">
          {fault}
        </p>
      )}
    </fieldset>
  );
}

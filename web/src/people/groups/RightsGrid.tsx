import { say } from '../../messages/rooms';
import { Button } from '../../ui/parts';
import { goesWithout, rights, rightWords, withRight, type Who } from './rights';

/** Who may what: a line for each team and person, a column for each right. */
export function RightsGrid({ all, onChange }: { all: Who[]; onChange: (all: Who[]) => void }) {
  return (
    <table className="w-full border-b border-rule">
      <thead>
        <tr className="border-b border-rule text-left text-soft">
          <th className="py-1 font-normal">{say('groups.who')}</th>
          {rights.map((right) => (
            <th key={right} className="w-20 py-1 text-center font-normal">
              {rightWords[right]}
            </th>
          ))}
          <th className="w-24" aria-label={say('groups.take-out')} />
        </tr>
      </thead>
      <tbody>
        {all.map((one) => (
          <tr key={one.id} className="border-t border-rule">
            <th scope="row" className="py-1 text-left font-normal">
              {one.closed ? say('people.closed-member', { name: one.name }) : one.name}
              {one.kind === 'team' && <span className="text-soft"> {say('groups.a-team')}</span>}
            </th>
            {rights.map((right) => {
              const given = goesWithout(all, one, right);
              return (
                <td key={right} className="text-center">
                  <input
                    type="checkbox"
                    className="size-5 align-middle"
                    aria-label={say('groups.may', { who: one.name, right: rightWords[right] })}
                    checked={given || one.may.includes(right)}
                    disabled={given}
                    onChange={(event) =>
                      onChange(
                        all.map((each) =>
                          each.id === one.id ? withRight(one, right, event.target.checked) : each,
                        ),
                      )
                    }
                  />
                </td>
              );
            })}
            <td className="py-1 text-right">
              {one.kind !== 'everybody' && (
                <Button
                  aria-label={say('people.take-member-out', { name: one.name })}
                  onClick={() => onChange(all.filter((each) => each.id !== one.id))}
                >
                  {say('account.take-out')}
                </Button>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

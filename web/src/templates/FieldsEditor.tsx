import type { Schemas } from '../api/client';
import { Empty, inputLook, Table } from '../ui/parts';
import { typeWords } from '../ui/words';

type Field = Schemas['Field'];

/** What each datum is: type, label, whether required, hint, choices. */
export function FieldsEditor({
  fields,
  fixed,
  onChange,
}: {
  fields: Field[];
  fixed: boolean;
  onChange: (fields: Field[]) => void;
}) {
  if (!fields.length) {
    return (
      <Empty>
        The wording has no tags for data yet. Type {'{{lender_name}}'} where a name goes.
      </Empty>
    );
  }
  const change = (at: number, part: Partial<Field>) =>
    onChange(fields.map((field, i) => (i === at ? { ...field, ...part } : field)));
  return (
    <Table head={['Tag', 'Type', 'Label in the form', 'Required', 'Hint', 'Choices, one a line']}>
      {fields.map((field, i) => (
        <tr key={field.name} className="align-top [&>td]:py-1.5">
          <td className="pt-3 font-mono">{field.name}</td>
          <td>
            <select
              aria-label={`Type of ${field.name}`}
              className={inputLook}
              disabled={fixed}
              value={field.type}
              onChange={(event) => change(i, { type: event.target.value as Field['type'] })}
            >
              {Object.entries(typeWords).map(([type, words]) => (
                <option key={type} value={type}>
                  {words}
                </option>
              ))}
            </select>
          </td>
          <td>
            <input
              aria-label={`Label of ${field.name}`}
              className={inputLook}
              disabled={fixed}
              value={field.label}
              onChange={(event) => change(i, { label: event.target.value })}
            />
          </td>
          <td>
            <label className="flex min-h-9 items-center gap-2">
              <input
                type="checkbox"
                className="size-5"
                disabled={fixed}
                checked={field.required}
                onChange={(event) => change(i, { required: event.target.checked })}
              />
              <span className="sr-only">{field.name} is</span> required
            </label>
          </td>
          <td>
            <input
              aria-label={`Hint of ${field.name}`}
              className={inputLook}
              disabled={fixed}
              value={field.hint}
              onChange={(event) => change(i, { hint: event.target.value })}
            />
          </td>
          <td>
            {field.type === 'CHOICE' && (
              <textarea
                aria-label={`Choices of ${field.name}`}
                className={inputLook}
                disabled={fixed}
                rows={3}
                value={field.choices.join('\n')}
                onChange={(event) => change(i, { choices: event.target.value.split('\n') })}
                onBlur={() =>
                  change(i, { choices: field.choices.map((c) => c.trim()).filter(Boolean) })
                }
              />
            )}
          </td>
        </tr>
      ))}
    </Table>
  );
}

import { say } from '../messages/rooms';
import { Fragment } from 'react';
import type { Schemas } from '../api/client';
import { Button, Empty, inputLook, Table } from '../ui/parts';
import { typeWords } from '../ui/words';

type Field = Schemas['Field'];

/** What each datum is: type, label, whether required, hint, choices; for a list, the fields of its items. */
export function FieldsEditor({
  fields,
  unused,
  fixed,
  onChange,
}: {
  fields: Field[];
  /** Names of fields that nothing uses; they can be removed. */
  unused: string[];
  fixed: boolean;
  onChange: (fields: Field[]) => void;
}) {
  if (!fields.length) {
    return <Empty>{say('templates.the-wording-has-no-tags')}</Empty>;
  }
  return (
    <Table
      head={[
        say('templates.tag'),
        say('templates.type'),
        say('templates.label-in-the-form'),
        say('templates.required'),
        say('templates.hint'),
        say('templates.choices-one-a-line'),
        '',
      ]}
    >
      <FieldRows fields={fields} unused={unused} fixed={fixed} within="" onChange={onChange} />
    </Table>
  );
}

function FieldRows({
  fields,
  unused,
  fixed,
  within,
  onChange,
}: {
  fields: Field[];
  unused: string[];
  fixed: boolean;
  within: string;
  onChange: (fields: Field[]) => void;
}) {
  const change = (at: number, part: Partial<Field>) =>
    onChange(fields.map((field, i) => (i === at ? { ...field, ...part } : field)));
  const add = (at: number) => {
    const name = `item_${(fields[at]?.items.length ?? 0) + 1}`;
    const item: Field = {
      name,
      type: 'TEXT',
      label: name,
      required: true,
      hint: '',
      choices: [],
      items: [],
    };
    change(at, { items: [...(fields[at]?.items ?? []), item] });
  };
  return fields.map((field, i) => {
    const called = within ? `${within} ${field.name}` : field.name;
    return (
      <Fragment key={within ? i : field.name}>
        <tr className="align-top [&>td]:py-1.5">
          <td className={`pt-3 font-mono ${within ? 'pl-6!' : ''}`}>
            {within ? (
              <input
                aria-label={say('templates.name-of', { called })}
                className={`${inputLook} font-mono`}
                disabled={fixed}
                value={field.name}
                onChange={(event) =>
                  change(i, { name: event.target.value.replace(/[^A-Za-z0-9_]/g, '_') })
                }
              />
            ) : (
              field.name
            )}
          </td>
          <td>
            <select
              aria-label={say('templates.type-of', { called })}
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
              aria-label={say('templates.label-of', { called })}
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
              <span className="sr-only">{say('templates.field-is', { called })}</span>
              {say('templates.required-field')}
            </label>
          </td>
          <td>
            <input
              aria-label={say('templates.hint-of', { called })}
              className={inputLook}
              disabled={fixed}
              value={field.hint}
              onChange={(event) => change(i, { hint: event.target.value })}
            />
          </td>
          <td>
            {field.type === 'CHOICE' && (
              <textarea
                aria-label={say('templates.choices-of', { called })}
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
            {field.type === 'ITEMS' && (
              <span className="flex min-h-9 items-center gap-3 text-soft">
                {say('templates.in-each-item', { count: field.items.length })}
                {!fixed && (
                  <Button onClick={() => add(i)}>{say('templates.add-a-field-to-the')}</Button>
                )}
              </span>
            )}
          </td>
          <td>
            {!fixed && (within !== '' || unused.includes(field.name)) && (
              <Button onClick={() => onChange(fields.filter((_, at) => at !== i))}>
                {say('templates.remove-called')}
                <span className="sr-only">{called}</span>
              </Button>
            )}
          </td>
        </tr>
        {field.type === 'ITEMS' && (
          <FieldRows
            fields={field.items}
            unused={[]}
            fixed={fixed}
            within={called}
            onChange={(items) => change(i, { items })}
          />
        )}
      </Fragment>
    );
  });
}

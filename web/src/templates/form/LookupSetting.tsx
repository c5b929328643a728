import { answer, api, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { useRegister, useRegisters } from '../../registers/registers';
import { inputLook, Trouble } from '../../ui/parts';
import type { Field } from '../bench/bench';
import { Part, Setting } from '../bench/cards/parts';
import { proposedFills, withFill, type Fill, type Lookup } from './lookup';

type Rows = Lookup['rows'][number];

/** From which register a question can be answered, and what else its rows fill. */
export function LookupSetting({
  fields,
  field,
  lookup,
  onChange,
}: {
  fields: Field[];
  /** The question's own. */
  field: Field;
  lookup: Lookup;
  onChange: (lookup: Lookup) => void;
}) {
  const registers = useRegisters();
  const register = useRegister(lookup.register);
  const list = field.type === 'ITEMS';
  const into = list ? field.items : fields.filter(({ type }) => type !== 'ITEMS');
  if (!registers.data?.length && !lookup.register) return <Trouble error={registers.error} />;
  const known = registers.data?.some(({ name }) => name === lookup.register) ?? true;
  async function choose(name: string) {
    const terms = name
      ? (
          await answer(
            api.GET('/api/v1/registers/{register}', { params: { path: { register: name } } }),
          )
        ).terms
      : undefined;
    onChange({
      register: name,
      fills: terms ? proposedFills(terms.columns, into) : [],
      rows: [],
    });
  }
  return (
    <Part title={say('templates.lookup')}>
      <Setting label={say('templates.lookup-in')}>
        <select
          className={inputLook}
          value={lookup.register}
          onChange={(event) => void choose(event.target.value)}
        >
          <option value="">{say('templates.lookup-nowhere')}</option>
          {!known && <option value={lookup.register}>{lookup.register}</option>}
          {(registers.data ?? []).map(({ name, title }) => (
            <option key={name} value={name}>
              {title}
            </option>
          ))}
        </select>
      </Setting>
      {register.data && (
        <Fills
          label={say('templates.lookup-fills')}
          terms={register.data.terms}
          fields={into}
          fills={lookup.fills}
          onChange={(fills) => onChange({ ...lookup, fills })}
        />
      )}
      {!list &&
        register.data?.relations.map((relation) => (
          <Related
            key={`${relation.register} ${relation.column}`}
            relation={relation}
            fields={fields}
            rows={lookup.rows.find(
              (one) => one.register === relation.register && one.by === relation.column,
            )}
            onChange={(rows) => {
              const others = lookup.rows.filter(
                (one) => one.register !== relation.register || one.by !== relation.column,
              );
              onChange({ ...lookup, rows: rows ? [...others, rows] : others });
            }}
          />
        ))}
      <Trouble error={registers.error ?? register.error} />
    </Part>
  );
}

/** Where each column goes. */
function Fills({
  label,
  terms,
  fields,
  fills,
  onChange,
}: {
  label: string;
  terms: Schemas['RegisterTerms'];
  fields: Field[];
  fills: Fill[];
  onChange: (fills: Fill[]) => void;
}) {
  return (
    <fieldset className="flex flex-col gap-1">
      <legend className="text-soft">{label}</legend>
      {terms.columns.map(({ field: column }) => (
        <label key={column.name} className="flex min-w-0 items-center gap-2">
          <span className="w-2/5 shrink-0 wrap-anywhere">{column.label}</span>
          <select
            className={inputLook}
            value={fills.find((one) => one.column === column.name)?.field ?? ''}
            onChange={(event) => onChange(withFill(fills, column.name, event.target.value))}
          >
            <option value="">{say('templates.lookup-not-taken')}</option>
            {fields.map(({ name, label: called }) => (
              <option key={name} value={name}>
                {called || name}
              </option>
            ))}
          </select>
        </label>
      ))}
    </fieldset>
  );
}

/** Rows that name the chosen one, as items of a list. */
function Related({
  relation,
  fields,
  rows,
  onChange,
}: {
  relation: Schemas['Relation'];
  fields: Field[];
  rows: Rows | undefined;
  onChange: (rows: Rows | undefined) => void;
}) {
  const register = useRegister(relation.register);
  const lists = fields.filter(({ type }) => type === 'ITEMS');
  const list = lists.find(({ name }) => name === rows?.list);
  if (!lists.length && !rows) return null;
  return (
    <>
      <Setting
        label={say('templates.lookup-rows', { register: relation.title, column: relation.label })}
      >
        <select
          className={inputLook}
          value={rows?.list ?? ''}
          onChange={(event) => {
            const to = lists.find(({ name }) => name === event.target.value);
            const columns = register.data?.terms.columns ?? [];
            onChange(
              to && {
                register: relation.register,
                by: relation.column,
                list: to.name,
                fills: proposedFills(columns, to.items),
              },
            );
          }}
        >
          <option value="">{say('templates.lookup-not-taken')}</option>
          {lists.map(({ name, label }) => (
            <option key={name} value={name}>
              {label || name}
            </option>
          ))}
        </select>
      </Setting>
      {rows && list && register.data && (
        <Fills
          label={say('templates.lookup-fills-items', { list: list.label })}
          terms={register.data.terms}
          fields={list.items}
          fills={rows.fills}
          onChange={(fills) => onChange({ ...rows, fills })}
        />
      )}
    </>
  );
}

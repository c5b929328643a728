import { Link } from 'react-router';
import { say } from '../../messages/rooms';
import { Button } from '../../ui/parts';
import { typeWords } from '../../ui/words';
import {
  allFields,
  withField,
  withoutFields,
  type Bench,
  type Field,
  type Placed,
} from '../bench/bench';
import { keyOfSubject } from '../bench/things';
import { cellLook, LedgerTable, type LedgerColumn } from './LedgerTable';

type Row = Placed & { called: string; depth: number };

/** All fields, those of lists' items among them: what each is, how it is asked for. */
export function FieldsTable({ bench }: { bench: Bench }) {
  const { settings, fixed, change, detail } = bench;
  const rows: Row[] = allFields(settings.fields).map((placed) => ({
    ...placed,
    called: [...placed.lists, placed.field].map(({ label }) => label).join(': '),
    depth: placed.lists.length,
  }));
  const unused = new Set(
    detail.advice.filter((one) => one.code === 'field-unused').map((one) => one.place),
  );
  const removable = ({ field, depth }: Row) => depth > 0 || unused.has(field.name);
  const set = (row: Row, part: Partial<Field>) => change(withField(settings, row, part));
  const setAll = (chosen: Row[], part: Partial<Field>) =>
    change(chosen.reduce((now, row) => withField(now, row, part), settings));
  const columns: LedgerColumn<Row>[] = [
    {
      id: 'label',
      title: say('templates.label-in-the-form'),
      width: '22%',
      sort: ({ called }) => called,
      cell: (row) => (
        <span className="flex items-center" style={{ paddingLeft: `${row.depth * 1.25}rem` }}>
          <input
            aria-label={say('templates.label-of', { called: row.called })}
            className={cellLook}
            disabled={fixed}
            value={row.field.label}
            onChange={(event) => set(row, { label: event.target.value })}
          />
        </span>
      ),
    },
    {
      id: 'type',
      title: say('templates.type'),
      width: '11rem',
      sort: ({ field }) => typeWords[field.type],
      cell: (row) => (
        <TypeSelect
          label={say('templates.type-of', { called: row.called })}
          value={row.field.type}
          fixed={fixed}
          onChange={(type) => set(row, { type })}
        />
      ),
    },
    {
      id: 'required',
      title: say('templates.required'),
      width: '5rem',
      sort: ({ field }) => (field.required ? 0 : 1),
      cell: (row) => (
        <input
          type="checkbox"
          aria-label={say('templates.field-is-required', { called: row.called })}
          className="mx-1 size-5 align-middle"
          disabled={fixed}
          checked={row.field.required}
          onChange={(event) => set(row, { required: event.target.checked })}
        />
      ),
    },
    {
      id: 'hint',
      title: say('templates.hint'),
      sort: ({ field }) => field.hint,
      cell: (row) => (
        <input
          aria-label={say('templates.hint-of', { called: row.called })}
          className={cellLook}
          disabled={fixed}
          value={row.field.hint}
          onChange={(event) => set(row, { hint: event.target.value })}
        />
      ),
    },
    {
      id: 'choices',
      title: say('templates.choices-one-a-line'),
      width: '13rem',
      cell: (row) => <More row={row} bench={bench} onSet={(part) => set(row, part)} />,
    },
    {
      id: 'tag',
      title: say('templates.tag'),
      width: '12rem',
      sort: ({ field }) => field.name,
      cell: (row) =>
        row.depth > 0 && !fixed ? (
          <ItemName row={row} onSet={(name) => set(row, { name })} />
        ) : (
          <code className="px-1">{row.field.name}</code>
        ),
    },
    {
      id: 'card',
      title: '',
      width: '4rem',
      cell: ({ field, lists, called }) => (
        <Link
          to={`?open=${keyOfSubject({ kind: 'field', name: field.name, list: lists.at(-1)?.name ?? '' })}`}
        >
          {say('templates.on-the-page')} <span className="sr-only">{called}</span>
        </Link>
      ),
    },
  ];
  return (
    <LedgerTable
      label={say('templates.fields')}
      rows={rows}
      columns={columns}
      keyOf={keyOfRow}
      wordsOf={({ called }) => called}
      fixed={fixed}
      empty={say('templates.the-wording-has-no-tags')}
      several={(chosen, onDone) => (
        <>
          <Button onClick={() => setAll(chosen, { required: true })}>
            {say('templates.make-required')}
          </Button>
          <Button onClick={() => setAll(chosen, { required: false })}>
            {say('templates.make-not-required')}
          </Button>
          <TypeSelect
            label={say('templates.type-of-chosen')}
            value=""
            fixed={false}
            onChange={(type) => setAll(chosen, { type })}
          />
          {chosen.every(removable) && (
            <Button
              onClick={() => {
                change(withoutFields(settings, chosen));
                onDone();
              }}
            >
              {say('templates.remove')}
            </Button>
          )}
        </>
      )}
    />
  );
}

/** An item's field is known by its place in the list, since its name can be typed. */
function keyOfRow({ field, lists }: Row): string {
  const list = lists.at(-1);
  return list
    ? `${lists.map(({ name }) => name).join('.')}.${list.items.indexOf(field)}`
    : field.name;
}

function TypeSelect({
  label,
  value,
  fixed,
  onChange,
}: {
  label: string;
  value: Field['type'] | '';
  fixed: boolean;
  onChange: (type: Field['type']) => void;
}) {
  return (
    <select
      aria-label={label}
      className={cellLook}
      disabled={fixed}
      value={value}
      onChange={(event) => onChange(event.target.value as Field['type'])}
    >
      {!value && <option value="">{say('templates.type-of-chosen')}</option>}
      {Object.entries(typeWords).map(([type, words]) => (
        <option key={type} value={type}>
          {words}
        </option>
      ))}
    </select>
  );
}

/** What is settled besides: the choices of one of a list, the fields of a list's items. */
function More({
  row: { field, called },
  bench: { fixed },
  onSet,
}: {
  row: Row;
  bench: Bench;
  onSet: (part: Partial<Field>) => void;
}) {
  if (field.type === 'CHOICE') {
    return (
      <textarea
        aria-label={say('templates.choices-of', { called })}
        className={cellLook}
        disabled={fixed}
        rows={Math.max(1, Math.min(3, field.choices.length))}
        value={field.choices.join('\n')}
        onChange={(event) => onSet({ choices: event.target.value.split('\n') })}
        onBlur={() => onSet({ choices: field.choices.map((one) => one.trim()).filter(Boolean) })}
      />
    );
  }
  if (field.type !== 'ITEMS' || fixed) return null;
  const name = `item_${field.items.length + 1}`;
  return (
    <Button
      onClick={() =>
        onSet({
          items: [
            ...field.items,
            {
              name,
              type: 'TEXT',
              label: name,
              required: true,
              hint: '',
              choices: [],
              items: [],
              initial: '',
              ownAnswer: false,
              files: { kinds: [], megabytes: 5 },
            },
          ],
        })
      }
    >
      {say('templates.add-a-field-to-the')}
    </Button>
  );
}

function ItemName({ row, onSet }: { row: Row; onSet: (name: string) => void }) {
  return (
    <input
      aria-label={say('templates.name-of', { called: row.called })}
      className={`${cellLook} font-mono`}
      value={row.field.name}
      onChange={(event) => onSet(event.target.value.replace(/[^\p{L}\p{N}_]/gu, '_'))}
    />
  );
}

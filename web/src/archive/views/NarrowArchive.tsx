import { say } from '../../messages/rooms';
import { Narrow, narrowLook, type Condition, type Narrowing } from '../../ui/list/Narrow';
import { inputLook } from '../../ui/parts';
import { readWhere, writeWhere, type ArchiveColumn } from './asked';
import { monthWords } from './columns';

const is = { how: 'is', words: say('registers.how-is') };
const range = [
  { how: 'from', words: say('registers.how-from') },
  { how: 'to', words: say('registers.how-to') },
];
const blank = { how: 'blank', words: say('registers.how-blank'), bare: true };

function waysOf(kind: ArchiveColumn['kind']): Narrowing['ways'] {
  switch (kind) {
    case 'NUMBER':
    case 'MONEY':
      return [...range, blank];
    case 'DATE':
    case 'MOMENT':
      return [...range, { how: 'is', words: say('archive.in-the-month') }, blank];
    case 'YES_NO':
      return [is, blank];
    default:
      return [is, { how: 'begins', words: say('registers.how-begins') }, blank];
  }
}

function narrowingOf({ key, kind, label }: ArchiveColumn): Narrowing {
  return {
    key,
    label,
    ways: waysOf(kind),
    input: (how, value, onChange) =>
      kind === 'YES_NO' ? (
        <select
          aria-label={label}
          className={narrowLook}
          value={value}
          onChange={(event) => onChange(event.target.value)}
        >
          <option value="" />
          {/* as it is stored, in every language */}
          <option value="yes">{say('archive.yes')}</option>
          <option value="no">{say('archive.no')}</option>
        </select>
      ) : (
        <input
          aria-label={label}
          className={`${inputLook} min-h-8 w-44`}
          type={kind !== 'DATE' && kind !== 'MOMENT' ? 'text' : how === 'is' ? 'month' : 'date'}
          inputMode={kind === 'NUMBER' || kind === 'MONEY' ? 'decimal' : undefined}
          value={value}
          onChange={(event) => onChange(event.target.value)}
        />
      ),
  };
}

/** What columns narrow the archive. */
export function NarrowArchive({
  columns,
  where,
  onChange,
}: {
  columns: ArchiveColumn[];
  where: string[];
  onChange: (where: string[]) => void;
}) {
  return (
    <Narrow
      columns={columns.map(narrowingOf)}
      conditions={where.map(readWhere)}
      saidOf={(condition) => saidOf(columns, condition)}
      onChange={(conditions) => onChange(conditions.map(writeWhere))}
    />
  );
}

function saidOf(columns: ArchiveColumn[], { column, how, value }: Condition): string {
  const of = columns.find(({ key }) => key === column);
  const way = of && waysOf(of.kind).find((one) => one.how === how);
  const month = how === 'is' && (of?.kind === 'DATE' || of?.kind === 'MOMENT');
  return [of?.label ?? column, way?.words ?? how, month ? monthWords(value) : value]
    .filter(Boolean)
    .join(' ');
}

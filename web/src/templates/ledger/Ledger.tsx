import { say, type RoomCode } from '../../messages/rooms';
import type { Bench } from '../bench/bench';
import { FieldsTable } from './FieldsTable';
import { RulesTable } from './RulesTable';
import { SigningTable } from './SigningTable';
import { useLedgerPlace } from './useLedgerPlace';

const tables = {
  fields: { title: 'templates.fields', Table: FieldsTable },
  rules: { title: 'templates.rules-and-choices', Table: RulesTable },
  signing: { title: 'templates.signing-fields', Table: SigningTable },
} as const satisfies Record<string, { title: RoomCode; Table: unknown }>;
type Name = keyof typeof tables;

/** The same things as on the page, as dense tables for bulk work. */
export function Ledger({ bench }: { bench: Bench }) {
  const { table, onTable } = useLedgerPlace();
  const name: Name = table in tables ? (table as Name) : 'fields';
  const { Table } = tables[name];
  const counts: Record<Name, number> = {
    fields: bench.settings.fields.length,
    rules: bench.settings.rules.length + bench.settings.choices.length,
    signing: bench.settings.signingFields.length,
  };
  return (
    <>
      <div role="group" aria-label={say('templates.tables')} className="flex gap-2 pb-3">
        {(Object.keys(tables) as Name[]).map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={one === name}
            className={`min-h-8 border-b px-2 ${one === name ? 'border-ink font-semibold' : 'border-rule text-soft'}`}
            onClick={() => onTable(one)}
          >
            {say(tables[one].title)} {counts[one]}
          </button>
        ))}
      </div>
      <Table bench={bench} />
    </>
  );
}

import { say } from '../../messages/rooms';
import { Button } from '../../ui/parts';
import type { Bench } from '../bench/bench';
import { withDocument, type TemplateDocument } from './document';
import type { Item } from './items';

/** What belongs to a document and stands nowhere on it, and signing fields of the other documents that may stand here too. */
export function Unplaced({
  bench: { settings, change },
  document,
  items,
  onOpen,
}: {
  bench: Bench;
  document: TemplateDocument;
  items: Item[];
  onOpen: (key: string) => void;
}) {
  const open = items.filter(({ box }) => !box);
  const here = new Set(document.places.map(({ field }) => field));
  const others = settings.signingFields.filter(({ name }) => !here.has(name));
  if (!open.length && !others.length) return null;
  return (
    <div className="flex flex-wrap items-center gap-2 pb-2">
      {open.length > 0 && (
        <p className="text-clay">{say('documents.without-place', { count: open.length })}</p>
      )}
      {open.map((item) => (
        <Button key={item.id} className="min-h-7" onClick={() => onOpen(item.key)}>
          {item.label}
        </Button>
      ))}
      {others.length > 0 && (
        <label className="ml-auto flex items-center gap-2">
          <span className="text-soft">{say('documents.have-here-too')}</span>
          <select
            className="min-h-8 max-w-56 rounded-sm border border-edge bg-sheet px-2"
            value=""
            onChange={(event) => {
              if (event.target.value)
                change(
                  withDocument(settings, document.id, {
                    places: [
                      ...document.places,
                      { field: event.target.value, spot: { kind: 'OPEN' } },
                    ],
                  }),
                );
            }}
          >
            <option value="">{say('documents.choose-a-field')}</option>
            {others.map(({ name, party, label }) => (
              <option key={name} value={name}>
                {`${settings.parties.find(({ key }) => key === party)?.label ?? party}, ${label}`}
              </option>
            ))}
          </select>
        </label>
      )}
    </div>
  );
}

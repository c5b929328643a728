import { Button } from '../ui/parts';
import { readItems, writeItems } from './composite';
import { DatumInput, type PartsProps } from './FieldInput';

/** A list of items, each with its own fields; items can be added, moved and taken out. */
export default function ItemsInput({ id, field, value, onChange }: PartsProps) {
  const items = readItems(value);
  const set = (next: Record<string, string>[]) => onChange(writeAll(next));
  const move = (from: number, to: number) => {
    const next = [...items];
    const [one] = next.splice(from, 1);
    if (one) next.splice(to, 0, one);
    set(next);
  };
  return (
    <div className="flex flex-col gap-3">
      <ol className="flex flex-col gap-3">
        {items.map((item, i) => (
          <li key={i} className="border border-rule p-3">
            <div className="flex items-center gap-2 pb-2">
              <span className="mr-auto font-medium">
                {field.label} {i + 1}
              </span>
              {i > 0 && <Button onClick={() => move(i, i - 1)}>Up</Button>}
              {i < items.length - 1 && <Button onClick={() => move(i, i + 1)}>Down</Button>}
              <Button onClick={() => set(items.filter((_, at) => at !== i))}>Take out</Button>
            </div>
            <div className="grid grid-cols-2 gap-3">
              {field.items.map((part) => (
                <DatumInput
                  key={part.name}
                  id={`${id}-${i}-${part.name}`}
                  field={part}
                  value={item[part.name] ?? ''}
                  onChange={(text) =>
                    set(items.map((one, at) => (at === i ? { ...one, [part.name]: text } : one)))
                  }
                />
              ))}
            </div>
          </li>
        ))}
      </ol>
      <Button className="self-start" onClick={() => set([...items, {}])}>
        Add to {field.label}
      </Button>
    </div>
  );
}

/** An item that is still blank stays while the form is open. */
function writeAll(items: Record<string, string>[]): string {
  return items.some((item) => Object.values(item).every((value) => value === ''))
    ? JSON.stringify(items)
    : writeItems(items);
}

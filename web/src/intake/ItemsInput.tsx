import { useContext, useState } from 'react';
import { useSay } from '../messages/useSay';
import { Button } from '../ui/parts';
import { readItems, writeItems } from './composite';
import { useFormWords } from './formWords';
import type { PartsProps } from './inputProps';
import { within } from './itemFaults';
import { answerName } from './live/answerAt';
import { FormLanguage, initials, typedData } from './typing';

/** A list of items, each with its own fields; items can be added, moved and taken out. */
export default function ItemsInput({
  id,
  field,
  value,
  onChange,
  within: faults,
  onArrange,
  Datum,
}: PartsProps) {
  const words = useSay();
  const text = useFormWords();
  const language = useContext(FormLanguage);
  const items = readItems(value);
  const set = (next: Record<string, string>[]) => onChange(writeAll(next));
  // what is typed into an item goes with it when it is moved, so an item is known by more than its place
  const [keys, setKeys] = useState<number[]>(() => items.map((_, i) => i));
  const known = items.map((_, i) => keys[i] ?? -1 - i);
  const arrange = (order: number[]) => {
    onArrange?.();
    const next = [...known];
    const fresh = Math.max(0, ...known.map(Math.abs)) + 1;
    setKeys(order.map((from) => next[from] ?? fresh));
    set(
      order.map((from) => items[from] ?? typedData(field.items, initials(field.items), language)),
    );
  };
  const places = items.map((_, i) => i);
  const swapped = (one: number, other: number) =>
    places.map((at) => (at === one ? other : at === other ? one : at));
  return (
    <div className="flex flex-col gap-3">
      <ol className="flex flex-col gap-3">
        {items.map((item, i) => (
          <li key={known[i]} data-item={i + 1} className="border border-rule p-3">
            <div className="flex flex-wrap items-center gap-2 pb-2">
              <span className="mr-auto font-medium">
                {words.say('form.item', { list: text(field.label), position: i + 1 })}
              </span>
              {i > 0 && (
                <Button onClick={() => arrange(swapped(i, i - 1))}>
                  {words.say('form.item-up')}
                </Button>
              )}
              {i < items.length - 1 && (
                <Button onClick={() => arrange(swapped(i, i + 1))}>
                  {words.say('form.item-down')}
                </Button>
              )}
              <Button onClick={() => arrange(places.filter((at) => at !== i))}>
                {words.say('form.item-out')}
              </Button>
            </div>
            <div className="grid grid-cols-1 gap-3 @md:grid-cols-2">
              {field.items.map((part) => (
                <div key={part.name} data-answer={answerName(part.name, field.name)}>
                  <Datum
                    id={`${id}-${known[i]}-${part.name}`}
                    field={part}
                    value={item[part.name] ?? ''}
                    {...within(faults, i, part.name)}
                    onArrange={onArrange}
                    onChange={(typed) =>
                      set(items.map((one, at) => (at === i ? { ...one, [part.name]: typed } : one)))
                    }
                  />
                </div>
              ))}
            </div>
          </li>
        ))}
      </ol>
      <Button className="self-start" onClick={() => arrange([...places, items.length])}>
        {words.say('form.item-add', { list: text(field.label) })}
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

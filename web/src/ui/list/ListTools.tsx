import { say } from '../../messages/rooms';
import { useEffect, useRef } from 'react';
import { singleKey } from '../keys';
import { Button, inputLook } from '../parts';

/** What a list is filtered by in words; `/` leads here from anywhere in the room. */
export function Filter({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (text: string) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => {
    const toFilter = (event: KeyboardEvent) => {
      if (singleKey(event) !== '/') return;
      event.preventDefault();
      input.current?.focus();
    };
    document.addEventListener('keydown', toFilter);
    return () => document.removeEventListener('keydown', toFilter);
  }, []);
  return (
    <input
      ref={input}
      type="search"
      aria-label={label}
      placeholder={`${label}  ( / )`}
      className={`${inputLook} max-w-96`}
      value={value}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}

/** One of several values by which a list is narrowed; pressed again, it is so no more, unless one has to be chosen. */
export function Chips<Value extends string>({
  label,
  options,
  chosen,
  required = false,
  onChoose,
}: {
  label: string;
  options: { value: Value; words: string }[];
  chosen: Value | '';
  required?: boolean;
  onChoose: (value: Value | '') => void;
}) {
  return (
    <div role="group" aria-label={label} className="flex flex-wrap gap-1 pb-2">
      {options.map(({ value, words }) => (
        <button
          key={value}
          type="button"
          aria-pressed={chosen === value}
          className={`min-h-7 rounded-sm border px-2 ${
            chosen === value
              ? 'border-bottle bg-bottle text-onbottle'
              : 'border-edge bg-sheet text-ink'
          }`}
          onClick={() => onChoose(chosen === value && !required ? '' : value)}
        >
          {words}
          {chosen === value && !required && <span aria-hidden="true"> ×</span>}
        </button>
      ))}
    </div>
  );
}

export function Pager({
  page,
  size,
  total,
  items,
  more = false,
  next,
  previous,
  onPage,
}: {
  page: number;
  size: number;
  total: number;
  items: unknown[];
  more?: boolean;
  next?: string | null;
  previous?: string | null;
  /** As it stands in the address. */
  onPage: (page: string) => void;
}) {
  const keyed = next !== undefined;
  const [back, on] = keyed
    ? // a page from which all rows have gone meanwhile leads to the first
      [previous ? `before.${previous}` : items.length === 0 && '0', next && `after.${next}`]
    : [page > 0 && String(page - 1), (page + 1) * size < total && String(page + 1)];
  if (total <= size && !back && !on)
    return <p className="pt-2 text-soft">{say('ui.in-all', { total })}</p>;
  return (
    <nav aria-label={say('ui.pages-of-the-list')} className="flex items-center gap-3 pt-2">
      <Button disabled={!back} onClick={() => back && onPage(back)}>
        {say('ui.page-before')}
      </Button>
      <span className="text-soft">
        {page * size + 1}
        {say(more ? 'ui.places-of-more' : 'ui.places-of', {
          what: page * size + items.length,
          total,
        })}
      </span>
      <Button disabled={!on} onClick={() => on && onPage(on)}>
        {say('ui.next-page')}
      </Button>
    </nav>
  );
}

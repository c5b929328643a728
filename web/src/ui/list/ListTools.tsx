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

/** One of several values by which a list is narrowed; pressed again, it is so no more. */
export function Chips<Value extends string>({
  label,
  options,
  chosen,
  onChoose,
}: {
  label: string;
  options: { value: Value; words: string }[];
  chosen: Value | '';
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
          onClick={() => onChoose(chosen === value ? '' : value)}
        >
          {words}
          {chosen === value && <span aria-hidden="true"> ×</span>}
        </button>
      ))}
    </div>
  );
}

export function Pager({
  page,
  size,
  total,
  onPage,
}: {
  page: number;
  size: number;
  total: number;
  onPage: (page: number) => void;
}) {
  if (total <= size) return <p className="pt-2 text-soft">{say('ui.in-all', { total })}</p>;
  return (
    <nav aria-label={say('ui.pages-of-the-list')} className="flex items-center gap-3 pt-2">
      <Button disabled={page === 0} onClick={() => onPage(page - 1)}>
        {say('ui.page-before')}
      </Button>
      <span className="text-soft">
        {page * size + 1}
        {say('ui.places-of', { what: Math.min((page + 1) * size, total), total })}
      </span>
      <Button disabled={(page + 1) * size >= total} onClick={() => onPage(page + 1)}>
        {say('ui.next-page')}
      </Button>
    </nav>
  );
}

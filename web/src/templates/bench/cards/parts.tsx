import type { ReactNode } from 'react';
import { say } from '../../../messages/rooms';
import { Button } from '../../../ui/parts';

/** One setting under its name. */
export function Setting({
  label,
  className = '',
  children,
}: {
  label: string;
  className?: string;
  children: ReactNode;
}) {
  return (
    <label className={`flex min-w-0 flex-col gap-0.5 ${className}`}>
      <span className="text-soft">{label}</span>
      {children}
    </label>
  );
}

/** A part of a card under a heading of its own. */
export function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <div className="flex flex-col gap-1 border-t border-rule pt-2">
      <h4 className="font-sans text-sm font-semibold">{title}</h4>
      {children}
    </div>
  );
}

/** Where a thing is on the pages, walked one by one. */
export type Walk = { count: number; at: number; onGo: (place: number) => void };

export function Places({ walk }: { walk: Walk }) {
  if (walk.count === 0) return <p className="text-soft">{say('templates.stands-on-no-page')}</p>;
  const go = (step: number) => walk.onGo((walk.at + step + walk.count) % walk.count);
  return (
    <p className="flex items-center gap-2">
      <span className="mr-auto text-soft" role="status">
        {say('templates.place-of-places', { at: walk.at + 1, count: walk.count })}
      </span>
      {walk.count > 1 && (
        <>
          <Button className="min-h-7 px-2" onClick={() => go(-1)}>
            {say('templates.place-before')}
          </Button>
          <Button className="min-h-7 px-2" onClick={() => go(1)}>
            {say('templates.place-after')}
          </Button>
        </>
      )}
    </p>
  );
}

/** What each specimen gives. */
export function BySpecimen({ given }: { given: { name: string; value: string }[] }) {
  if (!given.length) return null;
  return (
    <Part title={say('templates.in-the-specimens')}>
      <dl className="flex max-h-40 flex-col gap-0.5 overflow-y-auto" tabIndex={0}>
        {given.map(({ name, value }, i) => (
          <div key={i} className="grid grid-cols-[minmax(0,2fr)_minmax(0,3fr)] gap-2">
            <dt className="truncate text-soft" title={name}>
              {name}
            </dt>
            <dd className="truncate" title={value}>
              {value || say('templates.nothing')}
            </dd>
          </div>
        ))}
      </dl>
    </Part>
  );
}

/** A party's field as the Word file has it. */
export const tagOf = (party: string, word: string) => `{{${party}.${word}}}`;

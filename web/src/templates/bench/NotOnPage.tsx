import { useState, type ReactNode } from 'react';
import { say } from '../../messages/rooms';
import { placesOf, type Thing } from '../../page/thing';
import { Button } from '../../ui/parts';
import { newChoice, newRule } from '../newRules';
import type { Bench } from './bench';
import { keyOfSubject } from './things';

/** What has no place on the pages that are shown: rules that only decide, fields that people or rules need, and what is new. */
export function NotOnPage({
  bench,
  things,
  open,
  onOpen,
  card,
}: {
  bench: Bench;
  things: Thing[];
  open: string | undefined;
  onOpen: (key: string | undefined) => void;
  card: (key: string) => ReactNode;
}) {
  const { settings, fixed, change } = bench;
  const off = [
    ...things.filter((thing) => !placesOf(thing).length),
    ...settings.choices.map((choice, index) => ({
      key: keyOfSubject({ kind: 'choice', index }),
      label: say('templates.choice-called', { label: choice.label }),
    })),
  ];
  const here = off.some(({ key }) => key === open);
  const [wanted, setWanted] = useState(false);
  const shown = wanted || here;
  return (
    <section aria-label={say('templates.not-on-the-page')} className="text-right">
      <button
        type="button"
        aria-expanded={shown}
        className="min-h-8 px-2 text-soft hover:text-ink"
        onClick={() => {
          if (here) onOpen(undefined);
          setWanted(!shown);
        }}
      >
        {say('templates.not-on-the-page-count', { count: off.length })}
        <span aria-hidden="true"> {shown ? '▴' : '▾'}</span>
      </button>
      {shown && (
        <ul className="border-r-2 border-rule">
          {off.map(({ key, label }) => (
            <li key={key}>
              <button
                type="button"
                aria-expanded={open === key}
                title={label}
                className={`block h-[26px] w-full truncate px-2 text-right hover:text-ink ${open === key ? 'font-semibold' : 'text-soft'}`}
                onClick={() => onOpen(open === key ? undefined : key)}
              >
                {label}
              </button>
              {open === key && (
                <section
                  aria-label={label}
                  className="mb-1 border border-edge bg-sheet p-3 text-left shadow-page"
                >
                  {card(key)}
                </section>
              )}
            </li>
          ))}
          {!fixed && (
            <li className="flex flex-wrap justify-end gap-2 p-1">
              <Button
                onClick={() => {
                  change({ ...settings, rules: [...settings.rules, newRule(settings)] });
                  onOpen(keyOfSubject({ kind: 'rule', index: settings.rules.length }));
                }}
              >
                {say('templates.add-a-rule')}
              </Button>
              <Button
                onClick={() => {
                  change({ ...settings, choices: [...settings.choices, newChoice(settings)] });
                  onOpen(keyOfSubject({ kind: 'choice', index: settings.choices.length }));
                }}
              >
                {say('templates.add-a-choice-between-cases')}
              </Button>
            </li>
          )}
        </ul>
      )}
    </section>
  );
}

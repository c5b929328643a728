import type { ReactNode } from 'react';
import { say } from '../../messages/rooms';
import { placesOf, type Thing } from '../../page/thing';
import { Button } from '../../ui/parts';
import { newChoice, newRule } from '../newRules';
import { documentsOf } from '../documents/document';
import type { Bench } from './bench';
import { keyOfSubject } from './things';

/** What has no place on the pages that are shown. */
export function offPage(
  { settings, detail, document }: Pick<Bench, 'settings' | 'detail' | 'document'>,
  things: Thing[],
): Pick<Thing, 'key' | 'label'>[] {
  return [
    // what stands in another document is looked for there
    ...things.filter(
      (thing) =>
        !placesOf(thing).length &&
        !documentsOf(settings, detail.wordings, thing.key).some((id) => id !== document),
    ),
    ...settings.choices.map((choice, index) => ({
      key: keyOfSubject({ kind: 'choice', index }),
      label: say('templates.choice-called', { label: choice.label }),
    })),
  ];
}

/** Rules that only decide, fields that people or rules need, choices, and what is new. */
export function NotOnPage({
  bench: { settings, fixed, change },
  off,
  shown,
  open,
  onShown,
  onOpen,
  card,
}: {
  bench: Bench;
  off: Pick<Thing, 'key' | 'label'>[];
  shown: boolean;
  open: string | undefined;
  onShown: (shown: boolean) => void;
  onOpen: (key: string | undefined) => void;
  card: (key: string) => ReactNode;
}) {
  return (
    <section
      aria-label={say('templates.not-on-the-page')}
      className="text-right"
      onKeyDown={(event) => {
        if (event.key !== 'Escape' || event.defaultPrevented || !shown) return;
        event.currentTarget.querySelector('button')?.focus();
        onShown(false);
      }}
    >
      <button
        type="button"
        aria-expanded={shown}
        className="min-h-8 px-2 text-soft hover:text-ink"
        onClick={() => onShown(!shown)}
      >
        {say('templates.not-on-the-page-count', { count: off.length })}
        <span aria-hidden="true"> {shown ? '▴' : '▾'}</span>
      </button>
      {shown && (
        <ul className="border border-edge bg-paper py-1 shadow-page">
          {off.map(({ key, label }) => (
            <li key={key}>
              <button
                type="button"
                aria-expanded={open === key}
                title={label}
                className={`block h-6 w-full truncate px-2 text-right hover:text-ink ${open === key ? 'font-semibold' : 'text-soft'}`}
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

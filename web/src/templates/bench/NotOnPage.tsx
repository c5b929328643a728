import type { ReactNode } from 'react';
import { say } from '../../messages/rooms';
import { MarginList } from '../../page/MarginList';
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
    <MarginList
      label={say('templates.not-on-the-page')}
      head={say('templates.not-on-the-page-count', { count: off.length })}
      items={off}
      shown={shown}
      open={open}
      onShown={onShown}
      onOpen={onOpen}
      card={card}
    >
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
    </MarginList>
  );
}

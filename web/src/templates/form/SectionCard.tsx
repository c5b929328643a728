import { say } from '../../messages/rooms';
import { Button, inputLook } from '../../ui/parts';
import type { Bench } from '../bench/bench';
import { Setting } from '../bench/cards/parts';
import { arranged, withoutSection, withSection, type Section } from './layout';
import { WhenSetting } from './WhenSetting';

/** Everything that there is to settle about a section of the form. */
export function SectionCard({
  bench,
  sections,
  at,
  onGone,
}: {
  bench: Bench;
  sections: Section[];
  at: number;
  onGone: () => void;
}) {
  const { settings, fixed, change } = bench;
  const section = sections[at];
  if (!section) return null;
  const set = (part: Partial<Section>) =>
    change(arranged(settings, withSection(sections, at, part)));
  return (
    <fieldset disabled={fixed} className="flex min-w-0 flex-col gap-2">
      <legend className="pb-1 font-serif text-lg">
        {section.title || say('templates.form-section', { number: at + 1 })}
      </legend>
      <Setting label={say('templates.form-title')}>
        <input
          className={inputLook}
          value={section.title}
          onChange={(event) => set({ title: event.target.value })}
        />
      </Setting>
      <Setting label={say('templates.form-under-title')}>
        <textarea
          className={inputLook}
          rows={3}
          value={section.help}
          onChange={(event) => set({ help: event.target.value })}
        />
      </Setting>
      <WhenSetting settings={settings} when={section.when} onChange={(when) => set({ when })} />
      {sections.length > 1 && (
        <Button
          className="self-start"
          onClick={() => {
            change(arranged(settings, withoutSection(sections, at)));
            onGone();
          }}
        >
          {say('templates.form-take-section-out')}
        </Button>
      )}
    </fieldset>
  );
}

import { useId } from 'react';
import { say } from '../../messages/rooms';
import { Button, inputLook, Trouble } from '../../ui/parts';
import type { Bench } from '../bench/bench';
import { Setting } from '../bench/cards/parts';
import { WhenSetting } from './WhenSetting';
import { useAllTemplates } from '../useAllTemplates';

/** Templates that the form feeds besides its own: of each an agreement is made, always or on a condition. */
export function FurtherTemplates({ bench }: { bench: Bench }) {
  const { detail, settings, fixed, change } = bench;
  const { further } = settings.layout;
  const title = useId();
  const templates = useAllTemplates();
  const set = (next: typeof further) =>
    change({ ...settings, layout: { ...settings.layout, further: next } });
  const known = (templates.data ?? []).filter(
    (one) => one.publishedVersion > 0 && one.id !== detail.id,
  );
  if (fixed && !further.length) return null;
  const free = known.filter(({ id }) => !further.some(({ template }) => template === id));
  return (
    <section aria-labelledby={title} className="border-t border-rule pt-3">
      <h2 id={title} className="text-lg">
        {say('templates.further')}
      </h2>
      <p className="pb-2 text-soft">{say('templates.further-means')}</p>
      <Trouble error={templates.error} />
      <ul className="flex flex-col gap-3">
        {further.map(({ template, when }, i) => {
          const name =
            known.find(({ id }) => id === template)?.name ?? say('templates.further-gone');
          return (
            <li key={template}>
              <fieldset
                disabled={fixed}
                className="flex flex-col gap-1 border-l-2 border-rule pl-3"
              >
                <legend className="float-left w-full font-medium">{name}</legend>
                <WhenSetting
                  settings={settings}
                  when={when}
                  label={say('templates.further-when')}
                  onChange={(next) =>
                    set(further.map((one, at) => (at === i ? { template, when: next } : one)))
                  }
                />
                <Button
                  className="self-start"
                  aria-label={say('templates.further-take-out-of', { name })}
                  onClick={() => set(further.filter((_, at) => at !== i))}
                >
                  {say('templates.further-take-out')}
                </Button>
              </fieldset>
            </li>
          );
        })}
      </ul>
      {!fixed && free.length > 0 && (
        <div className="pt-2">
          <Setting label={say('templates.further-add')}>
            <select
              className={inputLook}
              value=""
              onChange={(event) => set([...further, { template: event.target.value, when: '' }])}
            >
              <option value="">{say('templates.further-choose')}</option>
              {free.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </Setting>
        </div>
      )}
    </section>
  );
}

import { useState } from 'react';
import { say } from '../../messages/rooms';
import { inputLook } from '../../ui/parts';
import type { Bench } from '../bench/bench';
import { Setting } from '../bench/cards/parts';
import { Enclosures } from './Enclosures';
import { LetterPart } from './LetterPart';
import { RoutePlan } from './RoutePlan';
import { Tellings } from './Tellings';
import { GoingOut, TimeTerms } from './Terms';

type Sending = Bench['settings']['sending'];

/** How agreements go out: the mail, the terms, what goes along, and the route as a calendar. */
export function SendingFace({ bench }: { bench: Bench }) {
  const { settings, fixed, change } = bench;
  const { sending } = settings;
  const [chosen, setSpecimen] = useState<number>();
  // one that was taken away since stands for none
  const specimen = chosen !== undefined && settings.specimens[chosen] ? chosen : undefined;
  const set = (part: Partial<Sending>) => change({ ...settings, sending: { ...sending, ...part } });
  const props = { settings, sending, onChange: set };
  return (
    <div className="flex flex-col gap-6">
      <div className="grid gap-x-10 gap-y-6 xl:grid-cols-[25rem_minmax(0,1fr)]">
        <fieldset disabled={fixed} className="flex min-w-0 flex-col gap-6">
          <TimeTerms {...props} />
          <GoingOut {...props} />
          <Enclosures {...props} />
          <Tellings {...props} />
          <section
            aria-label={say('templates.language-of-agreement')}
            className="flex flex-col gap-2"
          >
            <h2 className="text-lg">{say('templates.language-of-agreement')}</h2>
            <Setting label={say('templates.dates-numbers-and-money-print')}>
              <select
                className={inputLook}
                value={settings.language}
                onChange={(event) => change({ ...settings, language: event.target.value })}
              >
                <option value="en-GB">{say('templates.english-united-kingdom')}</option>
                <option value="en-US">{say('templates.english-united-states')}</option>
                <option value="de-DE">{say('templates.german')}</option>
                <option value="fr-FR">{say('templates.french')}</option>
                <option value="nl-NL">{say('templates.dutch')}</option>
                <option value="it-IT">{say('templates.italian')}</option>
                <option value="es-ES">{say('templates.spanish')}</option>
              </select>
            </Setting>
          </section>
        </fieldset>
        <LetterPart bench={bench} specimen={specimen} onSpecimen={setSpecimen} {...props} />
      </div>
      <RoutePlan bench={bench} specimen={specimen} />
    </div>
  );
}

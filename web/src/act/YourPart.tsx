import { useMemo } from 'react';
import { Blind } from '../blind/Blind';
import { english, type Catalogue } from '../messages/catalogue';
import { useSay } from '../messages/useSay';
import { requiredAmong } from '../signingFields/shown';
import { Trouble } from '../ui/parts';
import { ActButton } from './ActButton';
import { AskedField } from './AskedField';
import { ConsentBox } from './ConsentBox';
import type { Filling } from './filling';
import { IN_LIST, YOUR_PART } from './open';
import { keepMarks } from './mark/keptMarks';
import { Marks } from './mark/Marks';
import { ToOpen } from './ToOpen';
import type { Mark, SigningPage, useAct } from './useAct';

type Props = {
  page: SigningPage;
  filling: Filling;
  act: ReturnType<typeof useAct>;
};

/** What is asked of this participant, and what is still open of it. */
export function YourPart({ page, filling, act }: Props) {
  const words = useSay();
  const { values, asked, required, faults, derived, mark, initials, open } = filling;
  const signs = page.duty === 'SIGNS';
  // another object when anything of it has changed
  const signed = useMemo(() => ({ values, mark, initials }), [values, mark, initials]);
  if (signs && !page.consented) {
    return <ConsentBox page={page} onConsent={act.consent} busy={act.busy} error={act.error} />;
  }
  const missed =
    missing(page, values, mark, words) ||
    (signs && page.initials && !initials ? words.say('yours.no-initials') : '');
  const steps = [
    ...required.map((one) => !!values[one.name]?.trim()),
    ...(signs ? [!!mark] : []),
    ...(signs && page.initials ? [!!initials] : []),
  ];
  const blank = derived.filter(({ text }) => !text).map(({ label }) => label);
  const mended = Object.keys(act.error?.faults ?? {}).length > 0 && !Object.keys(faults).length;
  async function finish() {
    const filled = filling.handIn();
    if (signs && mark) {
      const done = await act.sign(filled, mark, page.initials ? initials : undefined);
      if (done && filling.keeping)
        keepMarks({ name: page.name, mark, ...(initials && { initials }) });
      return done;
    }
    return page.duty === 'APPROVES' ? act.approve() : act.complete(filled);
  }
  return (
    <section
      id={YOUR_PART}
      aria-label={words.say('yours.title')}
      className="flex flex-col gap-4 border border-rule bg-sheet p-4"
    >
      <div className="flex items-center gap-3">
        <h2 className="text-xl">{words.say('yours.title')}</h2>
        {steps.length > 0 && (
          <Blind
            width={70}
            height={Math.max(20, steps.length * 8)}
            slats={steps.map((done, i) => ({
              party: String(i),
              label: words.say('yours.step', { step: i + 1 }),
              name: '',
              duty: page.duty,
              stage: i + 1,
              standing: done ? 'DONE' : 'OPEN',
              since: null,
            }))}
          />
        )}
      </div>
      {page.duty === 'APPROVES' && <p>{words.say('yours.approve')}</p>}
      {open.length > 0 && <ToOpen open={open} />}
      <p role="status" className={steps.length > 0 && open.length === 0 ? 'text-moss' : 'sr-only'}>
        {steps.length > 0 && open.length === 0 && words.say('yours.all-there')}
      </p>
      {filling.unkept === 'away' && <p className="text-clay">{words.say('yours.not-kept')}</p>}
      {filling.unkept !== 'away' && <Trouble error={filling.unkept} />}
      {asked.map((one) => (
        <AskedField key={one.name} one={one} at={IN_LIST} filling={filling} />
      ))}
      {derived.length > 0 && (
        <dl className="flex flex-col gap-2" aria-live="polite">
          {derived.map(({ name, label, text }) => (
            <div key={name}>
              <dt className="text-soft">{label}</dt>
              <dd className="min-h-6">{text || words.say('yours.not-yet')}</dd>
            </div>
          ))}
        </dl>
      )}
      {signs && <Marks page={page} filling={filling} />}
      {!mended && <Trouble error={act.error} />}
      {missed && <p className="text-clay">{missed}</p>}
      {!missed && blank.length > 0 && (
        <p className="text-clay">{words.say('yours.stays-blank', { fields: blank.join(', ') })}</p>
      )}
      <ActButton
        verb={verb(page, words)}
        signed={signed}
        twice={signs && page.secondPress}
        disabled={!!missed || act.busy}
        onAct={() => void finish()}
      />
      {signs && <p className="text-soft">{words.say('yours.recorded')}</p>}
    </section>
  );
}

function verb(page: SigningPage, words: Catalogue): string {
  if (page.duty === 'SIGNS') return words.say('act.sign', { name: page.name });
  return words.say(page.duty === 'APPROVES' ? 'act.approve' : 'act.complete');
}

/** What is still open, in words; empty when nothing is. */
export function missing(
  page: Pick<SigningPage, 'duty' | 'toComplete'>,
  values: Record<string, string>,
  mark: Mark | undefined,
  words: Catalogue = english,
): string {
  const blank = requiredAmong(page.toComplete, values)
    .filter((one) => !values[one.name]?.trim())
    .map((one) => one.label);
  if (blank.length) return words.say('yours.open', { fields: blank.join(', ') });
  return page.duty === 'SIGNS' && !mark ? words.say('yours.no-mark') : '';
}

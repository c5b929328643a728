import { Link } from 'react-router';
import { answer, api, type Schemas } from '../api/client';
import { Renewals } from '../archive/dates/Renewals';
import { isUnderWay } from '../archive/dates/renewalOf';
import { say } from '../messages/rooms';
import { date } from '../ui/time';

/** A date of the form, with what it was in the agreement that is renewed. */
type Before = { label: string; before: string };

/**
 * What a renewal begins with.
 *
 * @param asked dates that have to be said anew, since what is watched goes by them
 * @param stay other dates, which stay as they were until somebody changes them
 */
export type Renewed = {
  values: Record<string, string>;
  asked: Before[];
  stay: Before[];
  /** Renewals that are under way already. */
  already: Schemas['RenewalRequest'][];
};

/** The answers of an agreement that is renewed, without the dates that its end goes by. */
export async function forRenewal(
  number: string,
  form: Schemas['Form'],
  values: Record<string, string>,
): Promise<Renewed> {
  const { goesBy, renewals } = await answer(
    api.GET('/api/v1/archive/{number}/dates', { params: { path: { number } } }),
  );
  const dates = form.fields.filter(
    ({ name, type }) => ['DATE', 'DATE_TIME'].includes(type) && values[name],
  );
  const told = (again: boolean) =>
    dates
      .filter(({ name }) => goesBy.includes(name) === again)
      .map(({ name, label }) => ({ label, before: inWords(values[name] ?? '') }));
  return {
    values: Object.fromEntries(Object.entries(values).filter(([name]) => !goesBy.includes(name))),
    asked: told(true),
    stay: told(false),
    already: renewals.filter(isUnderWay),
  };
}

/** A date as it is stored, such as 2027-03-15 or 2027-03-15T09:00 Europe/London. */
function inWords(stored: string): string {
  return /^\d{4}-\d\d-\d\d$/.test(stored) ? date(stored) : stored.replace('T', ' ');
}

/** What a form renews, and which of its dates somebody has to look at. */
export function Renewing({
  number,
  renewed: from,
}: {
  number: string;
  renewed?: Renewed | undefined;
}) {
  return (
    <section
      aria-label={say('intake.renewal')}
      className="mb-4 max-w-2xl border-l-4 border-slate bg-sheet px-3 py-2"
    >
      <p>
        {say('intake.renews')} <Link to={`/archive/${number}`}>{number}</Link>
      </p>
      {from?.already.length ? (
        <div role="alert" className="text-oxide">
          {say('dates.under-way-already')} <Renewals renewals={from.already} />
        </div>
      ) : null}
      <Dates words={say('intake.say-anew')} dates={from?.asked ?? []} />
      <Dates words={say('intake.look-whether')} dates={from?.stay ?? []} />
    </section>
  );
}

function Dates({ words, dates }: { words: string; dates: Before[] }) {
  if (!dates.length) return null;
  return (
    <>
      <p>{words}</p>
      <ul>
        {dates.map(({ label, before }) => (
          <li key={label} className="wrap-anywhere text-soft">
            {say('intake.was', { label, before })}
          </li>
        ))}
      </ul>
    </>
  );
}

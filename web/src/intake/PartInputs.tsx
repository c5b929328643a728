import { Fragment, useContext, useId, useState } from 'react';
import type { Code } from '../messages/catalogue';
import { useSay } from '../messages/useSay';
import { inputLook } from '../ui/parts';
import { countriesIn, hasPart, partOrder, storedCountry, typedCountry } from './addresses';
import { joinParts, splitParts } from './composite';
import { DateInput } from './DateInput';
import type { PartsProps } from './inputProps';
import { FormLanguage, OfficeZone } from './typing';

function Part({
  id,
  label,
  value,
  onChange,
  described,
  width = '',
}: {
  id: string;
  label: string;
  value: string;
  onChange: (value: string) => void;
  described: PartsProps['describedBy'];
  width?: string;
}) {
  return (
    <label htmlFor={id} className={`flex flex-col ${width}`}>
      <span className="text-soft">{label}</span>
      <input
        id={id}
        className={inputLook}
        value={value}
        onChange={(event) => onChange(event.target.value)}
        {...described}
      />
    </label>
  );
}

/** A full name in its parts, in the order of vCard's N: family, given, additional, prefix, suffix. */
export function NameInput({ id, value, onChange, describedBy }: PartsProps) {
  const words = useSay();
  const parts = splitParts(value, 5);
  const set = (at: number) => (text: string) =>
    onChange(joinParts(parts.map((part, i) => (i === at ? text : part))));
  const part = (at: number, label: string) => (
    <Part
      id={`${id}-${at}`}
      label={label}
      value={parts[at] ?? ''}
      onChange={set(at)}
      described={describedBy}
    />
  );
  return (
    <div className="grid grid-cols-[6rem_1fr_1fr] gap-2">
      {part(3, words.say('form.name-title'))}
      {part(1, words.say('form.name-given'))}
      {part(0, words.say('form.name-family'))}
    </div>
  );
}

/** A postal address in its parts, in the order of vCard's ADR: two unused, street, locality, region, code, country. */
export function AddressInput({ id, value, onChange, describedBy }: PartsProps) {
  const words = useSay();
  const language = useContext(FormLanguage);
  const parts = splitParts(value, 7);
  const country = parts[6] ?? '';
  const part = (at: number, label: string, width: string) => (
    <Part
      id={`${id}-${at}`}
      label={label}
      width={width}
      value={parts[at] ?? ''}
      onChange={(text) => onChange(joinParts(parts.map((one, i) => (i === at ? text : one))))}
      described={describedBy}
    />
  );
  return (
    <div className="grid grid-cols-6 gap-2">
      {partOrder(country)
        .filter((at) => at === 2 || hasPart(country, at) || parts[at])
        .map((at) => (
          <Fragment key={at}>
            {part(at, words.say(labels[at] ?? 'form.street'), widths[at] ?? '')}
          </Fragment>
        ))}
      <CountryInput
        id={`${id}-6`}
        label={words.say('form.country')}
        value={country}
        language={language}
        onChange={(code) => onChange(joinParts(parts.map((one, i) => (i === 6 ? code : one))))}
        described={describedBy}
      />
    </div>
  );
}

const labels: Record<number, Code> = {
  2: 'form.street',
  3: 'form.town',
  4: 'form.region',
  5: 'form.postal-code',
};

const widths: Record<number, string> = {
  2: 'col-span-6',
  3: 'col-span-4',
  4: 'col-span-3',
  5: 'col-span-2',
};

/** A country by its name in the form's language, kept by its code; one that isn't known is kept as it is typed. */
function CountryInput({
  id,
  label,
  value,
  language,
  onChange,
  described,
}: {
  id: string;
  label: string;
  value: string;
  language: string;
  onChange: (country: string) => void;
  described: PartsProps['describedBy'];
}) {
  const [typed, setTyped] = useState<string>();
  const list = useId();
  const countries = countriesIn(language);
  // what was changed from elsewhere is shown, and not what was typed before
  const shown =
    typed !== undefined && storedCountry(typed, language) === value
      ? typed
      : typedCountry(value, language);
  return (
    <div className="col-span-3 flex flex-col">
      <label htmlFor={id} className="text-soft">
        {label}
      </label>
      <input
        id={id}
        list={list}
        autoComplete="country-name"
        className={inputLook}
        value={shown}
        onChange={(event) => {
          setTyped(event.target.value);
          onChange(storedCountry(event.target.value, language));
        }}
        {...described}
      />
      <datalist id={list}>
        {countries.map(({ code, name }) => (
          <option key={code} value={name} />
        ))}
      </datalist>
    </div>
  );
}

/** A date, a time, and the time zone in which they are meant. */
export function MomentInput({ id, value, onChange, describedBy }: PartsProps) {
  const words = useSay();
  const language = useContext(FormLanguage);
  const office = useContext(OfficeZone);
  const here = office || Intl.DateTimeFormat().resolvedOptions().timeZone;
  const [moment = '', zone = here] = value.split(' ');
  const [day = '', time = ''] = moment.split('T');
  const set = (nextDay: string, nextTime: string, nextZone: string) =>
    onChange(nextDay || nextTime ? `${nextDay}T${nextTime} ${nextZone}` : '');
  return (
    <div className="grid grid-cols-[minmax(0,3fr)_8rem_minmax(0,2fr)] items-end gap-2">
      <div className="flex flex-col">
        <label htmlFor={`${id}-day`} className="text-soft">
          {words.say('form.day')}
        </label>
        <DateInput
          id={`${id}-day`}
          value={day}
          onChange={(next) => set(next.replaceAll(' ', ''), time, zone)}
          language={language}
          described={describedBy}
        />
      </div>
      <label htmlFor={`${id}-time`} className="flex flex-col">
        <span className="text-soft">{words.say('form.time')}</span>
        <input
          id={`${id}-time`}
          type="time"
          className={inputLook}
          value={time}
          onChange={(event) => set(day, event.target.value, zone)}
          {...describedBy}
        />
      </label>
      <label htmlFor={`${id}-zone`} className="flex flex-col">
        <span className="text-soft">{words.say('form.zone')}</span>
        <select
          id={`${id}-zone`}
          className={inputLook}
          value={zone}
          onChange={(event) => set(day, time, event.target.value)}
        >
          {[...new Set([here, zone, ...Intl.supportedValuesOf('timeZone')])].map((one) => (
            <option key={one}>{one}</option>
          ))}
        </select>
      </label>
    </div>
  );
}

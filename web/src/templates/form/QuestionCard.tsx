import { useEffect, useRef } from 'react';
import { Link } from 'react-router';
import { say, type RoomCode } from '../../messages/rooms';
import { inputLook } from '../../ui/parts';
import { placedField, withField, type Bench, type Field } from '../bench/bench';
import { FieldExtras } from '../bench/cards/FieldExtras';
import { Setting } from '../bench/cards/parts';
import { LabelSetting, TypeSetting } from '../bench/cards/TypeSetting';
import { keyOfSubject } from '../bench/things';
import { arranged, placeOf, sectionsOf, withQuestion, type Question, type Section } from './layout';
import { LookupSetting } from './LookupSetting';
import { StartSetting } from './StartSetting';
import { WhenSetting } from './WhenSetting';

const widths: [Question['width'], RoomCode][] = [
  ['WHOLE', 'templates.form-whole'],
  ['TWO_THIRDS', 'templates.form-two-thirds'],
  ['HALF', 'templates.form-half'],
  ['THIRD', 'templates.form-third'],
];

const visibilities: [Question['visibility'], RoomCode][] = [
  ['SHOWN', 'templates.form-typed'],
  ['OFFICE', 'templates.form-office'],
  ['READ_ONLY', 'templates.form-read-only'],
  ['HIDDEN', 'templates.form-hidden'],
];

/** Everything that there is to settle about how one datum is asked for. */
export function QuestionCard({
  bench,
  sections,
  name,
}: {
  bench: Bench;
  sections: Section[];
  name: string;
}) {
  const { settings, fixed, change } = bench;
  const latest = useRef(bench);
  useEffect(() => {
    latest.current = bench;
  }, [bench]);
  const placed = placedField(settings, name);
  const { section, at } = placeOf(sections, name);
  const question = sections[section]?.questions[at];
  if (!placed || !question) return null;
  const { field } = placed;
  const set = (part: Partial<Question>) =>
    change(arranged(settings, withQuestion(sections, name, part)));
  const setField = (part: Partial<Field>) => change(withField(settings, placed, part));
  const summed = field.items.filter(({ type }) => type === 'MONEY' || type === 'NUMBER');
  return (
    <fieldset disabled={fixed} className="flex min-w-0 flex-col gap-2">
      <legend className="pb-1 font-serif text-lg">{field.label || name}</legend>
      <LabelSetting field={field} onChange={setField} />
      <div className="grid grid-cols-2 gap-2">
        <TypeSetting field={field} onChange={setField} />
        <Setting label={say('templates.form-width')}>
          <select
            className={inputLook}
            value={question.width}
            onChange={(event) => set({ width: event.target.value as Question['width'] })}
          >
            {widths.map(([width, words]) => (
              <option key={width} value={width}>
                {say(words)}
              </option>
            ))}
          </select>
        </Setting>
      </div>
      <label className="flex min-h-8 items-center gap-2">
        <input
          type="checkbox"
          className="size-5"
          checked={field.required}
          onChange={(event) => setField({ required: event.target.checked })}
        />
        {say('templates.required-field')}
      </label>
      <FieldExtras field={field} onChange={setField} />
      {field.type === 'YES_NO' && (
        <label className="flex min-h-8 items-center gap-2">
          <input
            type="checkbox"
            className="size-5"
            checked={question.tick}
            onChange={(event) => set({ tick: event.target.checked })}
          />
          {field.required ? say('templates.form-to-tick') : say('templates.form-one-box')}
        </label>
      )}
      <Setting label={say('templates.hint')}>
        <textarea
          className={inputLook}
          rows={2}
          value={question.help || field.hint}
          onChange={(event) => {
            const hint = event.target.value;
            // one help is enough: what the question had of its own becomes the field's
            const next = withQuestion(sections, name, { help: '' });
            change(withField(arranged(settings, next), placed, { hint }));
          }}
        />
      </Setting>
      <Setting label={say('templates.form-placeholder')}>
        <input
          className={inputLook}
          value={question.placeholder}
          onChange={(event) => set({ placeholder: event.target.value })}
        />
      </Setting>
      <Setting label={say('templates.form-before')}>
        <textarea
          className={inputLook}
          rows={2}
          value={question.before}
          onChange={(event) => set({ before: event.target.value })}
        />
      </Setting>
      <Setting label={say('templates.form-visibility')}>
        <select
          className={inputLook}
          value={question.visibility}
          onChange={(event) => set({ visibility: event.target.value as Question['visibility'] })}
        >
          {visibilities.map(([visibility, words]) => (
            <option key={visibility} value={visibility}>
              {say(words)}
            </option>
          ))}
        </select>
      </Setting>
      <WhenSetting
        settings={settings}
        when={question.when}
        but={name}
        onChange={(when) => set({ when })}
      />
      <StartSetting
        settings={settings}
        fixed={fixed}
        field={field}
        start={question.start}
        onStart={(start) => set({ start })}
        onInitial={(initial) => {
          // the answer may be late: what else was typed meanwhile stays
          const { settings: now, change: save } = latest.current;
          const still = placedField(now, name);
          if (still) save(withField(arranged(now, sectionsOf(now)), still, { initial }));
        }}
      />
      <LookupSetting
        fields={settings.fields}
        field={field}
        lookup={question.lookup}
        onChange={(lookup) => set({ lookup })}
      />
      {summed.length > 0 && (
        <fieldset className="flex flex-col gap-1">
          <legend className="text-soft">{say('templates.form-totals')}</legend>
          {summed.map((item) => (
            <label key={item.name} className="flex min-h-7 items-center gap-2">
              <input
                type="checkbox"
                className="size-5"
                checked={question.totals.includes(item.name)}
                onChange={(event) =>
                  set({
                    totals: event.target.checked
                      ? [...question.totals, item.name]
                      : question.totals.filter((one) => one !== item.name),
                  })
                }
              />
              {item.label}
            </label>
          ))}
        </fieldset>
      )}
      <Link to={`?open=${keyOfSubject({ kind: 'field', name, list: '' })}`}>
        {say('templates.form-on-the-page')}
      </Link>
    </fieldset>
  );
}

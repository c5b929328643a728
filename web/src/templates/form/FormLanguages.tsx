import { useState } from 'react';
import { say } from '../../messages/rooms';
import { Button, inputLook } from '../../ui/parts';
import { languageName } from '../../ui/languages';
import type { Bench } from '../bench/bench';
import { textsOf } from './layout';

const offered = ['nl', 'de', 'fr', 'en', 'es', 'it', 'pt', 'pl', 'da', 'sv', 'nb', 'fi', 'cs'];

/** The form's texts in other languages, side by side. */
export function FormLanguages({ bench: { settings, fixed, change } }: { bench: Bench }) {
  const { words } = settings.layout;
  const languages = Object.keys(words).sort();
  const [chosen, setChosen] = useState(languages[0] ?? '');
  const language = words[chosen] ? chosen : (languages[0] ?? '');
  const texts = textsOf(settings);
  const said = words[language] ?? {};
  const missing = texts.filter((text) => !said[text]?.trim()).length;
  const set = (next: typeof words) =>
    change({ ...settings, layout: { ...settings.layout, words: next } });
  const own = settings.language.split('-')[0];
  const further = offered.filter((one) => !words[one] && one !== own);
  return (
    <section aria-label={say('templates.form-languages')} className="flex flex-col gap-3">
      <div className="flex flex-wrap items-center gap-3">
        {languages.map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={one === language}
            className={`min-h-8 border-b-2 px-2 ${one === language ? 'border-ink font-semibold' : 'border-transparent text-soft'}`}
            onClick={() => setChosen(one)}
          >
            {languageName(one)}
          </button>
        ))}
        {!fixed && (
          <select
            aria-label={say('templates.form-add-language')}
            className="min-h-8 rounded-sm border border-edge bg-sheet px-2"
            value=""
            onChange={(event) => {
              set({ ...words, [event.target.value]: {} });
              setChosen(event.target.value);
            }}
          >
            <option value="">{say('templates.form-add-language')}</option>
            {further.map((one) => (
              <option key={one} value={one}>
                {languageName(one)}
              </option>
            ))}
          </select>
        )}
      </div>
      {!language && <p className="text-soft">{say('templates.form-one-language')}</p>}
      {language && (
        <>
          <p role="status" className={missing ? 'text-clay' : 'text-moss'}>
            {missing
              ? say('templates.form-missing-words', { count: missing })
              : say('templates.form-all-words')}
          </p>
          <table className="w-full table-fixed border-collapse text-left">
            <thead>
              <tr className="border-b border-edge text-soft">
                <th scope="col" className="h-8 px-2 font-medium">
                  {languageName(settings.language)}
                </th>
                <th scope="col" className="px-2 font-medium">
                  {languageName(language)}
                </th>
              </tr>
            </thead>
            <tbody className="[&>tr:nth-child(even)]:bg-slatted">
              {texts.map((text) => (
                <tr key={text} className="border-b border-rule align-top">
                  <td className="px-2 py-1.5 wrap-anywhere whitespace-pre-line">{text}</td>
                  <td className="px-1 py-0.5">
                    <textarea
                      aria-label={say('templates.form-text-in', {
                        text,
                        language: languageName(language),
                      })}
                      lang={language}
                      className={inputLook}
                      rows={text.length > 60 ? 3 : 1}
                      disabled={fixed}
                      value={said[text] ?? ''}
                      onChange={(event) =>
                        set({ ...words, [language]: { ...said, [text]: event.target.value } })
                      }
                    />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          {!fixed && (
            <Button
              className="self-start"
              onClick={() => {
                const { [language]: gone, ...rest } = words;
                if (gone) set(rest);
              }}
            >
              {say('templates.form-take-language-out', { language: languageName(language) })}
            </Button>
          )}
        </>
      )}
    </section>
  );
}

import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { say } from '../../messages/rooms';
import { Button } from '../../ui/parts';
import type { Bench } from '../bench/bench';
import { FormLanguages } from './FormLanguages';
import { FormPreview } from './FormPreview';
import { FurtherTemplates } from './FurtherTemplates';
import { arranged, placeOf, sectionsOf } from './layout';
import { Outline } from './Outline';
import { QuestionCard } from './QuestionCard';
import { SectionCard } from './SectionCard';

/** The form as the one who fills it sees it, with its order at the left and the card of one thing in it at the right. */
export function FormFace({ bench }: { bench: Bench }) {
  const { settings, fixed, change } = bench;
  const [address, setAddress] = useSearchParams();
  const [languages, setLanguages] = useState(false);
  const sections = sectionsOf(settings);
  const open = address.get('ask') ?? '';
  const show = (ask: string | undefined) =>
    setAddress(
      (now) => {
        if (ask) now.set('ask', ask);
        else now.delete('ask');
        return now;
      },
      { replace: true },
    );
  const section = /^\d+$/.test(open) ? Number(open) : undefined;
  const question = placeOf(sections, open).at >= 0 ? open : undefined;
  const set = (next: typeof sections) => change(arranged(settings, next));
  return (
    <div className="grid items-start gap-5 lg:grid-cols-[15rem_minmax(0,1fr)_19rem]">
      <Outline
        settings={settings}
        sections={sections}
        fixed={fixed}
        open={open}
        onOpen={show}
        onArrange={set}
        onAdd={(field) => {
          change({ ...settings, fields: [...settings.fields, field] });
          show(field.name);
        }}
      />
      <div className="min-w-0">
        {languages ? (
          <FormLanguages bench={bench} />
        ) : (
          <FormPreview bench={bench} open={question} onOpen={show} />
        )}
      </div>
      <aside aria-label={say('templates.form-card')} className="flex flex-col gap-3">
        <Button className="self-start" onClick={() => setLanguages(!languages)}>
          {languages ? say('templates.form-back') : say('templates.form-languages')}
        </Button>
        {question ? (
          <QuestionCard key={question} bench={bench} sections={sections} name={question} />
        ) : section !== undefined && sections[section] ? (
          <SectionCard
            key={section}
            bench={bench}
            sections={sections}
            at={section}
            onGone={() => show(undefined)}
          />
        ) : (
          <p className="text-soft">{say('templates.form-choose')}</p>
        )}
        <FurtherTemplates bench={bench} />
      </aside>
    </div>
  );
}

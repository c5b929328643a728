import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { say } from '../../messages/rooms';
import { Button } from '../../ui/parts';
import type { Field } from '../bench/bench';
import type { Settings } from '../useTemplate';
import { AddQuestion } from './AddQuestion';
import {
  moved,
  sectionStepped,
  stepped,
  withNewSection,
  withSection,
  type Question,
  type Section,
} from './layout';

/** The form's sections and questions in their order, moved by mouse and by keyboard. */
export function Outline({
  settings,
  sections,
  fixed,
  open,
  onOpen,
  onArrange,
  onAdd,
}: {
  settings: Settings;
  sections: Section[];
  fixed: boolean;
  /** The name of the question, or the position of the section, whose card is open. */
  open: string;
  onOpen: (ask: string) => void;
  onArrange: (sections: Section[]) => void;
  onAdd: (field: Field) => void;
}) {
  const [dragged, setDragged] = useState<string>();
  const list = useRef<HTMLOListElement>(null);
  const wanted = useRef<string>(undefined);
  const [told, setTold] = useState('');
  useEffect(() => {
    if (wanted.current === undefined) return;
    list.current?.querySelector<HTMLElement>(`[data-ask="${wanted.current}"]`)?.focus();
    wanted.current = undefined;
  }, [sections]);
  const labelOf = (name: string) =>
    settings.fields.find((field) => field.name === name)?.label || name;
  const titleOf = (section: Section, i: number) =>
    section.title || say('templates.form-section', { number: i + 1 });
  function arrange(next: Section[], ask: string, label: string) {
    if (next === sections) return;
    wanted.current = ask;
    setTold(say('templates.form-moved', { label }));
    onArrange(next);
  }
  function press(event: KeyboardEvent, move: (step: -1 | 1) => void) {
    const step = ({ ArrowUp: -1, ArrowDown: 1 } as const)[event.key as 'ArrowUp' | 'ArrowDown'];
    if (!step) return;
    event.preventDefault();
    if (event.altKey) {
      if (!fixed) move(step);
      return;
    }
    const all = [...(list.current?.querySelectorAll<HTMLElement>('[data-ask]') ?? [])];
    all[all.indexOf(event.currentTarget as HTMLElement) + step]?.focus();
  }
  const drop = (section: number, at: number) => {
    if (dragged) arrange(moved(sections, dragged, { section, at }), dragged, labelOf(dragged));
    setDragged(undefined);
  };
  const dropping = (section: number, at: number) => ({
    onDragOver: (event: React.DragEvent) => dragged && event.preventDefault(),
    onDrop: (event: React.DragEvent) => {
      event.preventDefault();
      event.stopPropagation();
      drop(section, at);
    },
  });
  const row = (question: Question, section: number, at: number) => (
    <li key={question.field} {...dropping(section, at)}>
      <button
        type="button"
        data-ask={question.field}
        aria-pressed={open === question.field}
        aria-keyshortcuts={fixed ? undefined : 'Alt+ArrowUp Alt+ArrowDown'}
        draggable={!fixed}
        className={`flex min-h-7 w-full items-baseline gap-2 border-l-2 pr-1 pl-3 text-left hover:bg-slatted ${
          open === question.field ? 'border-ink font-semibold' : 'border-transparent'
        } ${fixed ? '' : 'cursor-grab'}`}
        onClick={() => onOpen(question.field)}
        onKeyDown={(event) =>
          press(event, (step) =>
            arrange(
              stepped(sections, question.field, step),
              question.field,
              labelOf(question.field),
            ),
          )
        }
        onDragStart={(event) => {
          event.dataTransfer.setData('text/plain', labelOf(question.field));
          event.dataTransfer.effectAllowed = 'move';
          setDragged(question.field);
        }}
        onDragEnd={() => setDragged(undefined)}
      >
        <span className="min-w-0 grow wrap-anywhere">{labelOf(question.field)}</span>
        <span className="shrink-0 text-xs font-normal text-soft">{noteOf(question)}</span>
      </button>
    </li>
  );
  return (
    <nav aria-label={say('templates.form-order')} className="border border-rule bg-sheet py-1">
      <ol ref={list}>
        {sections.map((section, i) => (
          <li
            key={i}
            className="border-t border-rule py-1 first:border-t-0"
            {...dropping(i, section.questions.length)}
          >
            <button
              type="button"
              data-ask={String(i)}
              aria-pressed={open === String(i)}
              aria-keyshortcuts={fixed ? undefined : 'Alt+ArrowUp Alt+ArrowDown'}
              className={`min-h-7 w-full border-l-2 px-2 text-left font-serif hover:bg-slatted ${
                open === String(i) ? 'border-ink font-semibold' : 'border-transparent'
              } ${section.title ? '' : 'text-soft'}`}
              onClick={() => onOpen(String(i))}
              onKeyDown={(event) =>
                press(event, (step) =>
                  arrange(sectionStepped(sections, i, step), String(i + step), titleOf(section, i)),
                )
              }
            >
              {titleOf(section, i)}
              {section.when && (
                <span className="pl-2 font-sans text-xs text-soft">
                  {say('templates.form-on-rule')}
                </span>
              )}
            </button>
            <ol>{section.questions.map((one, at) => row(one, i, at))}</ol>
          </li>
        ))}
      </ol>
      <p role="status" className="sr-only">
        {told}
      </p>
      {!fixed && (
        <div className="flex flex-col gap-2 border-t border-rule px-2 pt-2 pb-1">
          <AddQuestion fields={settings.fields} onAdd={onAdd} />
          <Button
            className="self-start"
            onClick={() => {
              const title = say('templates.form-section', { number: sections.length + 1 });
              const first = sections.length === 1 && !sections[0]?.title;
              // a form of one section has no title; with a second one the first needs its own
              const named = first
                ? withSection(sections, 0, { title: say('templates.form-section', { number: 1 }) })
                : sections;
              onArrange(withNewSection(named, title));
              onOpen(String(sections.length));
            }}
          >
            {say('templates.form-add-section')}
          </Button>
          <p className="text-xs text-soft">{say('templates.form-keys')}</p>
        </div>
      )}
    </nav>
  );
}

/** What sets a question apart from one that is simply asked. */
function noteOf({ visibility, when }: Question): string {
  const notes = [
    visibility === 'HIDDEN' && say('templates.form-hidden-short'),
    visibility === 'OFFICE' && say('templates.form-office-short'),
    visibility === 'READ_ONLY' && say('templates.form-read-only-short'),
    when && say('templates.form-on-rule'),
  ];
  return notes.filter(Boolean).join(', ');
}

import { useMutation } from '@tanstack/react-query';
import Image from '@tiptap/extension-image';
import { TableKit } from '@tiptap/extension-table';
import { EditorContent, useEditor, useEditorState } from '@tiptap/react';
import StarterKit from '@tiptap/starter-kit';
import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, upload, type Schemas } from '../../api/client';
import { say } from '../../messages/rooms';
import { Button, inputLook, RoomTitle, Trouble } from '../../ui/parts';
import { Setting } from '../bench/cards/parts';
import { ComposeBar } from './ComposeBar';
import { forgetWritten, keep, kept, nothing, type Written } from './kept';
import { cleanedPaste } from './paste';
import { PutIn } from './PutIn';

/** Widths in mm. */
const papers = { A4: 210, LETTER: 215.9 };
const margins = [15, 20, 23, 25, 30, 35];
const PAUSE = 500;
/** How wide the page is shown, in rem. */
const PAGE = 46;

/** Writes a template from nothing, on the page as it will be; what is written becomes a Word file. */
export default function ComposeRoom() {
  const navigate = useNavigate();
  const [written, setWritten] = useState(kept);
  const [stored, setStored] = useState<boolean>();
  const set = (part: Partial<Written>) => setWritten((now) => ({ ...now, ...part }));
  const editor = useEditor({
    extensions: [
      StarterKit.configure({
        heading: { levels: [1, 2, 3] },
        blockquote: false,
        code: false,
        codeBlock: false,
        horizontalRule: false,
        strike: false,
        link: false,
      }),
      TableKit.configure({ table: { resizable: false } }),
      Image,
    ],
    content: written.html,
    onUpdate: ({ editor: now }) => set({ html: now.getHTML() }),
    editorProps: {
      transformPastedHTML: cleanedPaste,
      attributes: {
        role: 'textbox',
        'aria-multiline': 'true',
        'aria-label': say('templates.wording'),
        class: 'written min-h-[36rem] font-serif text-[#1d2726]',
      },
    },
  });
  const empty = useEditorState({ editor, selector: ({ editor: now }) => now.isEmpty });
  useEffect(() => {
    setStored(undefined);
    const timer = setTimeout(() => setStored(keep(written)), PAUSE);
    return () => clearTimeout(timer);
  }, [written]);
  const make = useMutation({
    mutationFn: () => answer(api.POST('/api/v1/templates/composition', { body: written })),
    onSuccess: (made) => {
      forgetWritten();
      void navigate(`/templates/${made.id}`);
    },
  });
  const picture = useMutation({
    mutationFn: ({ file }: { file: File; onKept: (address: string) => void }) =>
      upload<Schemas['KeptPicture']>('/api/v1/pictures', file),
    onSuccess: (made, { onKept }) => onKept(made.file),
  });
  const logo = useRef<HTMLInputElement>(null);
  const pictureChooser = useRef<HTMLInputElement>(null);
  const choose = (file: File | undefined, onKept: (address: string) => void) => {
    if (file) picture.mutate({ file, onKept });
  };
  const margin = `${((written.marginMm / papers[written.paper]) * PAGE).toFixed(2)}rem`;
  return (
    <>
      <RoomTitle title={say('templates.write-a-template')}>
        <span role="status" className="text-soft">
          {stored === false
            ? say('templates.can-not-be-kept')
            : stored
              ? say('templates.kept-in-this-browser')
              : say('templates.not-saved-yet')}
        </span>
        <Button
          onClick={() => {
            setWritten(nothing);
            editor.commands.clearContent();
          }}
        >
          {say('templates.begin-anew')}
        </Button>
        <Button
          look="main"
          disabled={!written.title.trim() || empty || make.isPending}
          onClick={() => make.mutate()}
        >
          {say('templates.make-the-word-file')}
        </Button>
      </RoomTitle>
      <Trouble error={make.error ?? picture.error} />
      <div className="flex flex-wrap items-end gap-4 pb-2">
        <Setting label={say('templates.name-of-the-template')} className="w-80">
          <input
            className={inputLook}
            value={written.title}
            onChange={(event) => set({ title: event.target.value })}
          />
        </Setting>
        <Setting label={say('templates.paper')}>
          <select
            className={inputLook}
            value={written.paper}
            onChange={(event) => set({ paper: event.target.value as Written['paper'] })}
          >
            <option value="A4">{say('templates.paper-a4')}</option>
            <option value="LETTER">{say('templates.paper-letter')}</option>
          </select>
        </Setting>
        <Setting label={say('templates.margins')}>
          <select
            className={inputLook}
            value={written.marginMm}
            onChange={(event) => set({ marginMm: Number(event.target.value) })}
          >
            {margins.map((mm) => (
              <option key={mm} value={mm}>
                {say('templates.mm', { mm })}
              </option>
            ))}
          </select>
        </Setting>
        <label className="flex min-h-9 items-center gap-2">
          <input
            type="checkbox"
            className="size-5"
            checked={written.pageNumbers}
            onChange={(event) => set({ pageNumbers: event.target.checked })}
          />
          {say('templates.page-numbers-in-the-footer')}
        </label>
        <Button onClick={() => logo.current?.click()}>
          {say('templates.logo-in-the-header-png')}
        </Button>
        {written.logo && (
          <Button onClick={() => set({ logo: '' })}>{say('templates.without-the-logo')}</Button>
        )}
      </div>
      <div className="sticky top-0 z-10 bg-paper">
        <ComposeBar editor={editor} onPicture={() => pictureChooser.current?.click()} />
        <PutIn editor={editor} text={written.html} />
      </div>
      <div
        className="mx-auto flex flex-col bg-[#fff] text-[#1d2726] shadow-page"
        style={{ width: `${PAGE}rem`, paddingInline: margin }}
      >
        <div className="flex items-center gap-3 pt-4" style={{ minHeight: '4.5rem' }}>
          <InPlace
            label={say('templates.header-on-each-page')}
            value={written.header}
            onChange={(header) => set({ header })}
          />
          {written.logo && (
            <img
              src={`/api/v1/pictures/${written.logo}`}
              alt={say('templates.logo')}
              className="max-h-12"
            />
          )}
        </div>
        <EditorContent editor={editor} />
        <div className="flex items-center gap-3 pt-6 pb-4">
          <InPlace
            label={say('templates.footer-on-each-page')}
            value={written.footer}
            onChange={(footer) => set({ footer })}
          />
          {written.pageNumbers && (
            <span className="text-xs text-[#55605d]">{say('templates.page-of-pages')}</span>
          )}
        </div>
      </div>
      <input
        ref={logo}
        type="file"
        accept="image/png,image/jpeg"
        aria-label={say('templates.logo-in-the-header-png')}
        className="hidden"
        onChange={(event) => {
          choose(event.target.files?.[0], (file) => set({ logo: file }));
          event.target.value = '';
        }}
      />
      <input
        ref={pictureChooser}
        type="file"
        accept="image/png,image/jpeg"
        aria-label={say('templates.picture-for-the-wording')}
        className="hidden"
        onChange={(event) => {
          choose(event.target.files?.[0], (file) =>
            editor
              .chain()
              .focus()
              .setImage({ src: `/api/v1/pictures/${file}` })
              .run(),
          );
          event.target.value = '';
        }}
      />
    </>
  );
}

/** A line of the header or footer, typed where it will stand. */
function InPlace({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
}) {
  return (
    <input
      aria-label={label}
      placeholder={label}
      className="min-h-7 w-full border-b border-dashed border-[#8b8674] bg-[#fff] font-serif text-xs text-[#55605d]"
      value={value}
      onChange={(event) => onChange(event.target.value)}
    />
  );
}

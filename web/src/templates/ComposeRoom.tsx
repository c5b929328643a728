import { say } from '../messages/rooms';
import { useMutation } from '@tanstack/react-query';
import Image from '@tiptap/extension-image';
import { TableKit } from '@tiptap/extension-table';
import { EditorContent, useEditor, useEditorState } from '@tiptap/react';
import StarterKit from '@tiptap/starter-kit';
import { useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, upload, type Schemas } from '../api/client';
import { EditorToolbar, Tool } from '../ui/EditorToolbar';
import { Button, inputLook, Labelled, RoomTitle, Trouble } from '../ui/parts';

/** Writes a template from nothing; what is written becomes a Word file. */
export default function ComposeRoom() {
  const navigate = useNavigate();
  const [title, setTitle] = useState('');
  const [header, setHeader] = useState('');
  const [footer, setFooter] = useState('');
  const [pageNumbers, setPageNumbers] = useState(true);
  const [logo, setLogo] = useState('');
  const pictureChooser = useRef<HTMLInputElement>(null);
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
    editorProps: {
      attributes: {
        role: 'textbox',
        'aria-multiline': 'true',
        'aria-label': say('templates.wording'),
        class: 'written min-h-[32rem] px-14 py-12 font-serif text-[#1d2726]',
      },
    },
  });
  const on = useEditorState({
    editor,
    selector: ({ editor: now }) => ({
      empty: now.isEmpty,
      title: now.isActive('heading', { level: 1 }),
      heading: now.isActive('heading', { level: 2 }),
      small: now.isActive('heading', { level: 3 }),
      bold: now.isActive('bold'),
      italic: now.isActive('italic'),
      underline: now.isActive('underline'),
      clauses: now.isActive('orderedList'),
      bullets: now.isActive('bulletList'),
      table: now.isActive('table'),
    }),
  });
  const make = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/api/v1/templates/composition', {
          body: { title, html: editor.getHTML(), header, footer, pageNumbers, logo },
        }),
      ),
    onSuccess: (made) => void navigate(`/templates/${made.id}`),
  });
  const keep = useMutation({
    mutationFn: ({ file }: { file: File; onKept: (address: string) => void }) =>
      upload<Schemas['KeptPicture']>('/api/v1/pictures', file),
    onSuccess: (kept, { onKept }) => onKept(kept.file),
  });
  const chain = () => editor.chain().focus();
  return (
    <>
      <RoomTitle title={say('templates.write-a-template')}>
        <Button
          look="main"
          disabled={!title.trim() || on.empty || make.isPending}
          onClick={() => make.mutate()}
        >
          {say('templates.make-the-word-file')}
        </Button>
      </RoomTitle>
      <Trouble error={make.error ?? keep.error} />
      <div className="grid grid-cols-[18rem_minmax(0,44rem)] gap-6">
        <div className="flex flex-col gap-4">
          <Labelled id="title" label={say('templates.name-of-the-template')}>
            <input
              id="title"
              className={inputLook}
              value={title}
              onChange={(event) => setTitle(event.target.value)}
            />
          </Labelled>
          <Labelled id="header" label={say('templates.header-on-each-page')}>
            <input
              id="header"
              className={inputLook}
              value={header}
              onChange={(event) => setHeader(event.target.value)}
            />
          </Labelled>
          <Labelled id="logo" label={say('templates.logo-in-the-header-png')}>
            <input
              id="logo"
              type="file"
              accept="image/png,image/jpeg"
              className={inputLook}
              onChange={(event) => {
                const file = event.target.files?.[0];
                if (file) keep.mutate({ file, onKept: setLogo });
              }}
            />
          </Labelled>
          {logo && (
            <img
              src={`/api/v1/pictures/${logo}`}
              alt={say('templates.logo')}
              className="max-h-16 self-start"
            />
          )}
          <Labelled id="footer" label={say('templates.footer-on-each-page')}>
            <input
              id="footer"
              className={inputLook}
              value={footer}
              onChange={(event) => setFooter(event.target.value)}
            />
          </Labelled>
          <label className="flex min-h-8 items-center gap-2">
            <input
              type="checkbox"
              className="size-5"
              checked={pageNumbers}
              onChange={(event) => setPageNumbers(event.target.checked)}
            />
            {say('templates.page-numbers-in-the-footer')}
          </label>
          <p className="text-soft">{say('templates.type-a-tag-such-as')}</p>
        </div>
        <div className="bg-[#fff] shadow-page">
          <EditorToolbar
            label={say('templates.format-the-wording')}
            className="sticky top-0 bg-sheet px-2"
          >
            <Tool
              label={say('templates.title')}
              active={on.title}
              onRun={() => chain().toggleHeading({ level: 1 }).run()}
            />
            <Tool
              label={say('templates.heading')}
              active={on.heading}
              onRun={() => chain().toggleHeading({ level: 2 }).run()}
            />
            <Tool
              label={say('templates.lesser-heading')}
              active={on.small}
              onRun={() => chain().toggleHeading({ level: 3 }).run()}
            />
            <Tool
              label={say('templates.bold')}
              active={on.bold}
              onRun={() => chain().toggleBold().run()}
            />
            <Tool
              label={say('templates.italic')}
              active={on.italic}
              onRun={() => chain().toggleItalic().run()}
            />
            <Tool
              label={say('templates.underline')}
              active={on.underline}
              onRun={() => chain().toggleUnderline().run()}
            />
            <Tool
              label={say('templates.clauses')}
              active={on.clauses}
              onRun={() => chain().toggleOrderedList().run()}
            />
            <Tool
              label={say('templates.bullets')}
              active={on.bullets}
              onRun={() => chain().toggleBulletList().run()}
            />
            <Tool
              label={say('templates.deeper')}
              active={false}
              onRun={() => chain().sinkListItem('listItem').run()}
            />
            <Tool
              label={say('templates.table')}
              active={on.table}
              onRun={() =>
                on.table
                  ? chain().deleteTable().run()
                  : chain().insertTable({ rows: 2, cols: 2, withHeaderRow: true }).run()
              }
            />
            {on.table && (
              <Tool
                label={say('templates.row')}
                active={false}
                onRun={() => chain().addRowAfter().run()}
              />
            )}
            {on.table && (
              <Tool
                label={say('templates.column')}
                active={false}
                onRun={() => chain().addColumnAfter().run()}
              />
            )}
            <Tool
              label={say('templates.picture')}
              active={false}
              onRun={() => pictureChooser.current?.click()}
            />
            <Tool label={say('templates.undo')} active={false} onRun={() => chain().undo().run()} />
          </EditorToolbar>
          <input
            ref={pictureChooser}
            type="file"
            accept="image/png,image/jpeg"
            aria-label={say('templates.picture-for-the-wording')}
            className="hidden"
            onChange={(event) => {
              const file = event.target.files?.[0];
              if (file)
                keep.mutate({
                  file,
                  onKept: (kept) =>
                    chain()
                      .setImage({ src: `/api/v1/pictures/${kept}` })
                      .run(),
                });
              event.target.value = '';
            }}
          />
          <EditorContent editor={editor} />
        </div>
      </div>
    </>
  );
}

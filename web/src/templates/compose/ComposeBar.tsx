import {
  ArrowUUpLeftIcon,
  ArrowUUpRightIcon,
  ColumnsPlusRightIcon,
  ImageIcon,
  ListBulletsIcon,
  ListNumbersIcon,
  RowsPlusBottomIcon,
  TableIcon,
  TextBIcon,
  TextHOneIcon,
  TextHThreeIcon,
  TextHTwoIcon,
  TextIndentIcon,
  TextItalicIcon,
  TextOutdentIcon,
  TextUnderlineIcon,
  type Icon,
} from '@phosphor-icons/react';
import { useEditorState, type Editor } from '@tiptap/react';
import { say, type RoomCode } from '../../messages/rooms';
import { EditorToolbar } from '../../ui/EditorToolbar';

type Act = { icon: Icon; name: RoomCode; keys?: string; on?: boolean; run: () => void };

/** How the wording is formatted: acts in groups, each with its picture, its name, and its keys. */
export function ComposeBar({ editor, onPicture }: { editor: Editor; onPicture: () => void }) {
  const on = useEditorState({
    editor,
    selector: ({ editor: now }) => ({
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
  const chain = () => editor.chain().focus();
  const heading = (level: 1 | 2 | 3) => () => chain().toggleHeading({ level }).run();
  const groups: { name: RoomCode; acts: Act[] }[] = [
    {
      name: 'templates.bar-paragraph',
      acts: [
        {
          icon: TextHOneIcon,
          name: 'templates.title',
          keys: 'Ctrl+Alt+1',
          on: on.title,
          run: heading(1),
        },
        {
          icon: TextHTwoIcon,
          name: 'templates.heading',
          keys: 'Ctrl+Alt+2',
          on: on.heading,
          run: heading(2),
        },
        {
          icon: TextHThreeIcon,
          name: 'templates.lesser-heading',
          keys: 'Ctrl+Alt+3',
          on: on.small,
          run: heading(3),
        },
      ],
    },
    {
      name: 'templates.bar-words',
      acts: [
        {
          icon: TextBIcon,
          name: 'templates.bold',
          keys: 'Ctrl+B',
          on: on.bold,
          run: () => chain().toggleBold().run(),
        },
        {
          icon: TextItalicIcon,
          name: 'templates.italic',
          keys: 'Ctrl+I',
          on: on.italic,
          run: () => chain().toggleItalic().run(),
        },
        {
          icon: TextUnderlineIcon,
          name: 'templates.underline',
          keys: 'Ctrl+U',
          on: on.underline,
          run: () => chain().toggleUnderline().run(),
        },
      ],
    },
    {
      name: 'templates.bar-lists',
      acts: [
        {
          icon: ListNumbersIcon,
          name: 'templates.clauses',
          keys: 'Ctrl+Shift+7',
          on: on.clauses,
          run: () => chain().toggleOrderedList().run(),
        },
        {
          icon: ListBulletsIcon,
          name: 'templates.bullets',
          keys: 'Ctrl+Shift+8',
          on: on.bullets,
          run: () => chain().toggleBulletList().run(),
        },
        {
          icon: TextIndentIcon,
          name: 'templates.deeper',
          keys: 'Tab',
          run: () => chain().sinkListItem('listItem').run(),
        },
        {
          icon: TextOutdentIcon,
          name: 'templates.less-deep',
          keys: 'Shift+Tab',
          run: () => chain().liftListItem('listItem').run(),
        },
      ],
    },
    {
      name: 'templates.bar-put-in',
      acts: [
        {
          icon: TableIcon,
          name: on.table ? 'templates.remove-the-table' : 'templates.table',
          run: () =>
            on.table
              ? chain().deleteTable().run()
              : chain().insertTable({ rows: 2, cols: 2, withHeaderRow: true }).run(),
        },
        ...(on.table
          ? ([
              {
                icon: RowsPlusBottomIcon,
                name: 'templates.row',
                run: () => chain().addRowAfter().run(),
              },
              {
                icon: ColumnsPlusRightIcon,
                name: 'templates.column',
                run: () => chain().addColumnAfter().run(),
              },
            ] satisfies Act[])
          : []),
        { icon: ImageIcon, name: 'templates.picture', run: onPicture },
      ],
    },
    {
      name: 'templates.bar-steps',
      acts: [
        {
          icon: ArrowUUpLeftIcon,
          name: 'templates.undo',
          keys: 'Ctrl+Z',
          run: () => chain().undo().run(),
        },
        {
          icon: ArrowUUpRightIcon,
          name: 'templates.make-again',
          keys: 'Ctrl+Shift+Z',
          run: () => chain().redo().run(),
        },
      ],
    },
  ];
  return (
    <EditorToolbar label={say('templates.format-the-wording')} className="gap-x-3 bg-paper py-1">
      {groups.map(({ name, acts }) => (
        <div
          key={name}
          role="group"
          aria-label={say(name)}
          className="flex border-r border-rule pr-3 last:border-r-0"
        >
          {acts.map(({ icon: Picture, name: act, keys, on: pressed, run }) => (
            <button
              key={act}
              type="button"
              aria-pressed={pressed}
              title={keys}
              className={`flex min-h-11 min-w-11 flex-col items-center px-1.5 py-1 text-xs hover:bg-slatted ${pressed ? 'bg-slatted font-semibold' : ''}`}
              onClick={run}
            >
              <Picture aria-hidden="true" size={18} />
              <span className="first-letter:uppercase">{say(act)}</span>
            </button>
          ))}
        </div>
      ))}
    </EditorToolbar>
  );
}

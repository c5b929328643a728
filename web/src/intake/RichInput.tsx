import { EditorContent, useEditor, useEditorState } from '@tiptap/react';
import StarterKit from '@tiptap/starter-kit';
import { useContext, useEffect } from 'react';
import type { PartsProps } from './FieldInput';
import { FormFixed } from './typing';

/** Formatted text: bold, italic, underline, lists and links; nothing else is kept. */
export default function RichInput({ id, field, value, onChange, describedBy }: PartsProps) {
  const fixed = useContext(FormFixed);
  const editor = useEditor({
    editable: !fixed,
    extensions: [
      StarterKit.configure({
        heading: false,
        blockquote: false,
        code: false,
        codeBlock: false,
        horizontalRule: false,
        strike: false,
        link: { openOnClick: false, protocols: ['https', 'http', 'mailto'] },
      }),
    ],
    content: value,
    editorProps: {
      attributes: {
        id,
        role: 'textbox',
        'aria-multiline': 'true',
        ...(fixed ? { 'aria-readonly': 'true' } : {}),
        'aria-label': field.label,
        class: 'rich-text min-h-24 px-2 py-1',
        ...(describedBy['aria-describedby']
          ? { 'aria-describedby': describedBy['aria-describedby'] }
          : {}),
      },
    },
    onUpdate: ({ editor: now }) => onChange(now.isEmpty ? '' : now.getHTML()),
  });
  useEffect(() => {
    // an editor that was put away while its form was hidden is replaced by a new one in the next pass
    if (editor.isDestroyed) return;
    // what comes from outside, such as another item's text after a move, replaces what stands here
    const now = editor.isEmpty ? '' : editor.getHTML();
    if (now !== value) editor.commands.setContent(value, { emitUpdate: false });
  }, [editor, value]);
  useEffect(() => {
    if (!editor.isDestroyed) editor.setEditable(!fixed, false);
  }, [editor, fixed]);
  const on = useEditorState({
    editor,
    selector: ({ editor: now }) => ({
      bold: now.isActive('bold'),
      italic: now.isActive('italic'),
      underline: now.isActive('underline'),
      bullets: now.isActive('bulletList'),
      numbers: now.isActive('orderedList'),
      link: now.isActive('link'),
    }),
  });
  const act = (label: string, active: boolean, run: () => void) => (
    <button
      type="button"
      aria-pressed={active}
      className={`min-h-8 px-2 ${active ? 'bg-slatted font-semibold' : ''}`}
      onClick={run}
    >
      {label}
    </button>
  );
  const chain = () => editor.chain().focus();
  return (
    <div className="rounded-sm border border-edge bg-sheet">
      <div
        role="toolbar"
        aria-label={`Format ${field.label}`}
        className="flex border-b border-rule"
      >
        {act('bold', on.bold, () => chain().toggleBold().run())}
        {act('italic', on.italic, () => chain().toggleItalic().run())}
        {act('underline', on.underline, () => chain().toggleUnderline().run())}
        {act('bullets', on.bullets, () => chain().toggleBulletList().run())}
        {act('numbers', on.numbers, () => chain().toggleOrderedList().run())}
        {act('link', on.link, () => {
          if (on.link) chain().unsetLink().run();
          else {
            const words = editor.state.doc.textBetween(
              editor.state.selection.from,
              editor.state.selection.to,
            );
            const address = /^https?:\/\//.test(words) ? words : `https://${words.trim()}`;
            chain().setLink({ href: address }).run();
          }
        })}
      </div>
      <EditorContent editor={editor} />
    </div>
  );
}

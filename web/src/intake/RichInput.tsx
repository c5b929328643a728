import { EditorContent, useEditor, useEditorState } from '@tiptap/react';
import StarterKit from '@tiptap/starter-kit';
import { useContext, useEffect } from 'react';
import { useSay } from '../messages/useSay';
import { EditorToolbar, Tool } from '../ui/EditorToolbar';
import type { PartsProps } from './inputProps';
import { FormFixed } from './typing';

/** Formatted text: bold, italic, underline, lists and links; nothing else is kept. */
export default function RichInput({ id, field, value, onChange, describedBy }: PartsProps) {
  const fixed = useContext(FormFixed);
  const words = useSay();
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
  const chain = () => editor.chain().focus();
  return (
    <div className="rounded-sm border border-edge bg-sheet">
      <EditorToolbar label={words.say('form.format', { field: field.label })}>
        <Tool
          label={words.say('form.bold')}
          active={on.bold}
          onRun={() => chain().toggleBold().run()}
        />
        <Tool
          label={words.say('form.italic')}
          active={on.italic}
          onRun={() => chain().toggleItalic().run()}
        />
        <Tool
          label={words.say('form.underline')}
          active={on.underline}
          onRun={() => chain().toggleUnderline().run()}
        />
        <Tool
          label={words.say('form.bullets')}
          active={on.bullets}
          onRun={() => chain().toggleBulletList().run()}
        />
        <Tool
          label={words.say('form.numbers')}
          active={on.numbers}
          onRun={() => chain().toggleOrderedList().run()}
        />
        <Tool
          label={words.say('form.link')}
          active={on.link}
          onRun={() => {
            if (on.link) chain().unsetLink().run();
            else {
              const chosen = editor.state.doc.textBetween(
                editor.state.selection.from,
                editor.state.selection.to,
              );
              const address = /^https?:\/\//.test(chosen) ? chosen : `https://${chosen.trim()}`;
              chain().setLink({ href: address }).run();
            }
          }}
        />
      </EditorToolbar>
      <EditorContent editor={editor} />
    </div>
  );
}

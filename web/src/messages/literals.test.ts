import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { expect, test } from 'vitest';

const spoken = ['aria-label', 'label', 'title', 'alt', 'placeholder', 'what', 'hint'];
const letters = /\p{L}{2}/u;

function literals(name: string, source: string): string[] {
  const file = ts.createSourceFile(name, source, ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX);
  const found: string[] = [];
  const say = (node: ts.Node) => {
    const { line } = file.getLineAndCharacterOfPosition(node.getStart());
    found.push(`${name}:${line + 1} ${node.getText().trim()}`);
  };
  const isText = (node: ts.Node): boolean =>
    (ts.isStringLiteralLike(node) && letters.test(node.text)) ||
    (ts.isTemplateExpression(node) &&
      [node.head, ...node.templateSpans.map((span) => span.literal)].some((part) =>
        letters.test(part.text),
      )) ||
    (ts.isConditionalExpression(node) && (isText(node.whenTrue) || isText(node.whenFalse)));
  const visit = (node: ts.Node) => {
    if (ts.isJsxText(node) && letters.test(node.text)) say(node);
    if (ts.isJsxExpression(node) && node.expression && !ts.isJsxAttribute(node.parent)) {
      if (isText(node.expression)) say(node);
    }
    if (ts.isJsxAttribute(node) && spoken.includes(node.name.getText()) && node.initializer) {
      const value = ts.isJsxExpression(node.initializer)
        ? node.initializer.expression
        : node.initializer;
      if (value && isText(value)) say(node);
    }
    ts.forEachChild(node, visit);
  };
  visit(file);
  return found;
}

/** Texts of several words outside of what is drawn: titles of columns, lists of choices, messages in functions. */
function sentences(name: string, source: string): string[] {
  const file = ts.createSourceFile(name, source, ts.ScriptTarget.Latest, true, ts.ScriptKind.TSX);
  const found: string[] = [];
  const looks = (text: string) =>
    /(^|\s)(min-|max-|px-|py-|bg-|border|flex|grid|text-|gap-|w-|sr-)/.test(text);
  const visit = (node: ts.Node) => {
    if (ts.isJsxAttribute(node) && /class/i.test(node.name.getText())) return;
    // what only a developer reads
    if (ts.isNewExpression(node) && node.expression.getText() === 'Error') return;
    if (ts.isStringLiteralLike(node) && /\p{L}{2,}[,.:;]? \p{L}{2,}/u.test(node.text)) {
      if (!looks(node.text) && !/gradient\(/.test(node.text)) {
        const { line } = file.getLineAndCharacterOfPosition(node.getStart());
        found.push(`${name}:${line + 1} ${node.getText()}`);
      }
    }
    ts.forEachChild(node, visit);
  };
  visit(file);
  return found;
}

test('a sentence in a component is found', () => {
  expect(literals('a.tsx', '<p>Read this</p>')).toHaveLength(1);
  expect(literals('a.tsx', '<p aria-label="Read this" className="two words" />')).toHaveLength(1);
  expect(literals('a.tsx', "<p>{done ? 'Thank you' : say('x')}</p>")).toHaveLength(1);
  expect(literals('a.tsx', '<p title={`Page ${n}`} />')).toHaveLength(1);
  expect(sentences('a.ts', "const titles = ['Waits for']")).toHaveLength(1);
  expect(sentences('a.tsx', '<p className="flex gap-2" />')).toEqual([]);
  expect(literals('a.tsx', "<p title={words.say('page.number')}>{name}, 12</p>")).toEqual([]);
});

/** The house, fonts, tags and selectors are called the same in every language. */
const names = [
  'Jalousie',
  "'Hanken Grotesk Variable'",
  "'Newsreader Variable'",
  "'La Belle Aurore'",
  "'Petit Formal Script'",
  "'Reenie Beanie'",
  'placeholder="care_of_paper"',
  "'input, textarea, select, [contenteditable]'",
  "'Alt+ArrowUp Alt+ArrowDown'",
  '"bottom end"',
];

test('no component has a sentence of its own', () => {
  const at = join(import.meta.dirname, '..');
  const sources = readdirSync(at, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.tsx?$/.test(name) && !/\.test\.|schema\.ts$/.test(name))
    .map((name) => [name, readFileSync(join(at, name), 'utf8')] as const);
  expect(sources.length).toBeGreaterThan(80);
  const found = sources
    .flatMap(([name, source]) => [...literals(name, source), ...sentences(name, source)])
    .filter((one) => !names.includes(one.replace(/^\S+ /, '')));
  expect(found).toEqual([]);
}, 30_000);

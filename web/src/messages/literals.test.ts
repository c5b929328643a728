import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import ts from 'typescript';
import { expect, test } from 'vitest';

/** Folders whose every word comes from a catalogue. A folder that has been moved over is added here. */
const speaking = ['act', 'signingFields'];
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

test('a sentence in a component is found', () => {
  expect(literals('a.tsx', '<p>Read this</p>')).toHaveLength(1);
  expect(literals('a.tsx', '<p aria-label="Read this" className="two words" />')).toHaveLength(1);
  expect(literals('a.tsx', "<p>{done ? 'Thank you' : say('x')}</p>")).toHaveLength(1);
  expect(literals('a.tsx', '<p title={`Page ${n}`} />')).toHaveLength(1);
  expect(literals('a.tsx', "<p title={words.say('page.number')}>{name}, 12</p>")).toEqual([]);
});

test('what participants meet has no sentence of its own', () => {
  const found = speaking.flatMap((folder) => {
    const at = join(import.meta.dirname, '..', folder);
    return readdirSync(at)
      .filter((name) => name.endsWith('.tsx') && !name.includes('.test.'))
      .flatMap((name) => literals(name, readFileSync(join(at, name), 'utf8')));
  });
  expect(found).toEqual([]);
});

import { expect, test } from 'vitest';
import { caseMarks } from './Marks';
import type { Line } from './printed';
import type { Thing } from './thing';

const line = (y: number, x = 70, width = 400): Line => ({ page: 1, x, y, width, height: 12 });
const choice = (...cases: [label: string, lines: Line[]][]): Thing => ({
  key: 'cases.0-1',
  label: '',
  lines: [],
  spans: true,
  cases: cases.map(([label, lines], i) => ({ key: `passage-${i}`, label, lines })),
});
const all = (lines: Line[]) => lines;

test('each case has its name where it begins, at the right of its widest line', () => {
  const marks = caseMarks(
    [choice(['By sea', [line(700), line(686, 70, 440)]], ['By air', [line(660)]])],
    all,
  );
  expect(marks).toEqual([
    { top: 712, right: 510, label: 'By sea', within: false },
    { top: 672, right: 470, label: 'By air', within: false },
  ]);
});

test('cases within one line are named together, with no rule between', () => {
  const marks = caseMarks(
    [
      choice(
        ['By sea', [line(700, 70, 100)]],
        ['By air', [line(700, 170, 80)]],
        ['By road', [line(700, 250, 60)]],
      ),
    ],
    all,
  );
  expect(marks).toEqual([
    { top: 712, right: 310, label: 'By sea | By air | By road', within: true },
  ]);
});

test('what is no choice, and what stands on another page, has none', () => {
  expect(caseMarks([{ ...choice(), cases: [] }], all)).toEqual([]);
  expect(caseMarks([choice(['By sea', [line(700)]])], () => [])).toEqual([]);
});

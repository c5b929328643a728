import { readFileSync } from 'node:fs';
import { expect, test } from 'vitest';
import { readDate } from './dates';

type Case = { language: string; ok: boolean; at: string; sent: string; typed?: string };

const { cases } = JSON.parse(
  readFileSync('../core/src/test/resources/form-answers.json', 'utf8'),
) as { cases: Case[] };

// what else is typed is sent as it stands, and read by the server: core and server go through the same list
test.each(cases.filter(({ typed }) => typed !== undefined))(
  'a date typed as $typed in $language is sent as $sent',
  ({ language, ok, typed, sent }) => {
    expect(readDate(typed ?? '', language)).toBe(ok ? sent : undefined);
  },
);

import { expect, test } from 'vitest';
import { settingsOf } from './LinkForm';

const typed = {
  title: 'Lend us',
  who: 'ALL' as const,
  word: '',
  closes: '',
  most: '',
  frames: '',
  thanks: '',
  then: 'THANKS' as const,
  document: true,
  wording: true,
  askerName: '',
  askerMail: '',
  officeMail: '',
  colleagues: false,
};

test('the day that is named is the last one', () => {
  const { closesAt } = settingsOf({ ...typed, closes: '2027-03-31' }, 't');
  const end = new Date(closesAt ?? '');
  expect([end.getMonth(), end.getDate(), end.getHours()]).toEqual([3, 1, 0]);
  expect(settingsOf(typed, 't').closesAt).toBeNull();
});

test('a word stays that nobody typed anew, and goes where none is needed any more', () => {
  expect(settingsOf({ ...typed, who: 'WORD' }, 't', { word: true }).word).toBeNull();
  expect(settingsOf({ ...typed, who: 'WORD', word: 'lute' }, 't', { word: true }).word).toBe(
    'lute',
  );
  expect(settingsOf(typed, 't', { word: true }).word).toBe('');
});

test('one that is for once takes one answer, and sites are parted by white space', () => {
  expect(settingsOf({ ...typed, who: 'ONCE', most: '7' }, 't').most).toBe(1);
  expect(settingsOf({ ...typed, most: '7' }, 't').most).toBe(7);
  expect(
    settingsOf({ ...typed, frames: ' https://a.example.org\nhttps://b.example.org ' }, 't').terms
      .frames,
  ).toEqual(['https://a.example.org', 'https://b.example.org']);
});

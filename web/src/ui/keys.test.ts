// @vitest-environment jsdom
import { afterEach, expect, it } from 'vitest';
import { isTyping, mainAct } from './keys';

afterEach(() => document.body.replaceChildren());

function shown(html: string) {
  document.body.innerHTML = html;
}

it('the main act is that of the form where the focus is, else of the room', () => {
  shown(`<main><button data-main id="publish"></button>
    <form id="f"><input id="i"><button data-main id="keep"></button></form>
    <form><input id="other"></form></main>`);
  expect(mainAct(document.getElementById('i'))?.id).toBe('keep');
  expect(mainAct(document.getElementById('other'))?.id).toBe('publish');
  expect(mainAct(null)?.id).toBe('publish');
});

it('is none that can not be done now, and over a room the dialog counts', () => {
  shown('<main><button data-main disabled id="publish"></button></main>');
  expect(mainAct(null)).toBeUndefined();
  shown(
    '<main><button data-main id="p"></button></main><div role="dialog"><button id="x"></button></div>',
  );
  expect(mainAct(null)).toBeUndefined();
});

it('keys belong to what is being typed in', () => {
  shown(
    '<input id="t"><input type="checkbox" id="c"><textarea id="a"></textarea><select id="s"></select>',
  );
  const at = (id: string) => isTyping(document.getElementById(id));
  expect(['t', 'c', 'a', 's'].map(at)).toEqual([true, false, true, false]);
  expect(isTyping(null)).toBe(false);
});

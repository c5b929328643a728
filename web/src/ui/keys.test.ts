// @vitest-environment jsdom
import { afterEach, expect, it } from 'vitest';
import { isTyping, mainAct, setSingleKeys, singleKey } from './keys';

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

it('a key alone does something where nothing is typed or chosen, unless it is turned off', () => {
  shown('<input id="t"><select id="s"></select><button id="b"></button>');
  const pressed = (id: string, more: KeyboardEventInit = {}) => {
    let key: string | undefined;
    const listen = (event: KeyboardEvent) => (key = singleKey(event));
    document.addEventListener('keydown', listen, { once: true });
    const press = new KeyboardEvent('keydown', { key: 'n', bubbles: true, ...more });
    document.getElementById(id)?.dispatchEvent(press);
    return key;
  };
  expect(['t', 's', 'b'].map((id) => pressed(id))).toEqual([undefined, undefined, 'n']);
  expect(pressed('b', { ctrlKey: true })).toBeUndefined();
  setSingleKeys(false);
  expect(pressed('b')).toBeUndefined();
  setSingleKeys(true);
  expect(pressed('b')).toBe('n');
});

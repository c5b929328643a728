import type { Settings } from './useTemplate';

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/** Lists of things that are known by a name or a key. */
const named = {
  fields: (one: Settings['fields'][number]) => one.name,
  rules: (one: Settings['rules'][number]) => one.name,
  choices: (one: Settings['choices'][number]) => one.name,
  parties: (one: Settings['parties'][number]) => one.key,
  signingFields: (one: Settings['signingFields'][number]) => one.name,
};

/**
 * What is being typed, on top of settings that have changed meanwhile: what the person did not touch is as it is now, what they
 * touched is as they typed it, thing by thing.
 *
 * @param before what they began from; {@code now} what is there by now
 */
export function rebased(before: Settings, typed: Settings, now: Settings): Settings {
  const part = <Key extends keyof Settings>(key: Key): Settings[Key] => {
    if (same(typed[key], before[key])) return now[key];
    if (same(now[key], before[key])) return typed[key];
    const nameOf = named[key as keyof typeof named] as ((one: unknown) => string) | undefined;
    if (!nameOf) return typed[key];
    const lists = [before[key], typed[key], now[key]] as unknown as [
      unknown[],
      unknown[],
      unknown[],
    ];
    return merged(...lists, nameOf) as unknown as Settings[Key];
  };
  return Object.fromEntries(
    (Object.keys(now) as (keyof Settings)[]).map((key) => [key, part(key)]),
  ) as Settings;
}

function merged(
  before: unknown[],
  typed: unknown[],
  now: unknown[],
  nameOf: (one: unknown) => string,
): unknown[] {
  const by = (list: unknown[]) => new Map(list.map((one) => [nameOf(one), one]));
  const [was, own, there] = [by(before), by(typed), by(now)];
  const kept = now.flatMap((one) => {
    const name = nameOf(one);
    const touched = own.has(name) && !same(own.get(name), was.get(name));
    if (touched) return [own.get(name)];
    // what the person has taken out stays out
    return was.has(name) && !own.has(name) ? [] : [one];
  });
  const added = typed.filter((one) => !was.has(nameOf(one)) && !there.has(nameOf(one)));
  return [...kept, ...added];
}

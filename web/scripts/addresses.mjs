/**
 * Writes what the program knows of postal addresses, country by country: the order of their parts, and how codes look. The data
 * are those of two packages of the registry, which take them from Google's address data service and from national posts:
 * localized-address-format and postcode-validator (both MIT). Run it when one of them has a newer version.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { argv } from 'node:process';
import { URL } from 'node:url';

const require = createRequire(import.meta.url);
const { POSTCODE_REGEXES } = require('postcode-validator/lib/cjs/postcode-regexes.js');

// the package uses its table and doesn't give it away
const table = /new Map\((\[[\s\S]*?\n\])\)/.exec(
  readFileSync(require.resolve('localized-address-format'), 'utf8'),
)[1];
const addressFormats = Function(`return ${table}`)();

const file = new URL(
  '../../core/src/main/resources/org/jalousie/core/data/addresses.json',
  import.meta.url,
);

/** A pattern that takes letters large and small, without a flag that says so. */
export function anyCase(source) {
  let out = '';
  let group = '';
  let within = false;
  for (let i = 0; i < source.length; i++) {
    const c = source[i];
    if (c === '\\') {
      const pair = source.slice(i, i + 2);
      i++;
      if (within) group += pair;
      else out += pair;
    } else if (c === '[' && !within) {
      within = true;
      group = '';
    } else if (c === ']' && within) {
      within = false;
      const letters = group.match(/[A-Za-z]-[A-Za-z]|[A-Za-z]/g) ?? [];
      const plain = group.replace(/\\./g, '');
      const more = letters
        .filter((one) => plain.includes(one))
        .map((one) => (one === one.toUpperCase() ? one.toLowerCase() : one.toUpperCase()))
        .filter((one) => !plain.includes(one));
      out += `[${group}${more.join('')}]`;
    } else if (within) {
      group += c;
    } else if (/[A-Za-z]/.test(c)) {
      out += `[${c.toUpperCase()}${c.toLowerCase()}]`;
    } else {
      out += c;
    }
  }
  return out;
}

export function addresses() {
  const countries = {};
  for (const [country, { local, latin }] of addressFormats)
    countries[country] = { format: latin ?? local, ...(latin && latin !== local ? { local } : {}) };
  for (const [country, pattern] of POSTCODE_REGEXES)
    if (country in countries) countries[country].code = anyCase(pattern.source);
  return countries;
}

export const written = () => `${JSON.stringify(addresses(), null, 1)}\n`;

if (argv[1] === new URL(import.meta.url).pathname) writeFileSync(file, written());

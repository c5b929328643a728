// @vitest-environment jsdom
import { describe, expect, it } from 'vitest';
import { cleanedPaste } from './paste';

describe('what is pasted from a word processor', () => {
  it('loses classes, styles, comments and elements of the word processor’s own', () => {
    expect(
      cleanedPaste(
        '<html><head><style>p.MsoNormal{margin:0}</style></head><body><!--StartFragment--><p class="MsoNormal" style="mso-margin-top-alt:auto" onclick="x()">Between <b style="mso-bidi-font-weight:normal">Ida</b><o:p></o:p></p><script>x()</script><!--EndFragment--></body></html>',
      ),
    ).toBe('<p>Between <b>Ida</b></p>');
  });

  it('has its items as lists, numbered and not, one within another', () => {
    const item = (level: number, mark: string, words: string) =>
      `<p class="MsoListParagraph" style="text-indent:-18pt;mso-list:l0 level${level} lfo1"><span style="mso-list:Ignore">${mark}<span>   </span></span>${words}</p>`;
    const html = cleanedPaste(
      `<p>Before</p>${item(1, '1.', 'one')}${item(2, '·', 'inner')}${item(1, '2.', 'two')}<p>Between</p>${item(1, '·', 'dot')}`,
    );
    expect(html).toBe(
      '<p>Before</p><ol><li><p>one</p><ul><li><p>inner</p></li></ul></li><li><p>two</p></li></ol><p>Between</p><ul><li><p>dot</p></li></ul>',
    );
  });

  it('keeps tables and their spans', () => {
    const table = '<table><tbody><tr><td colspan="2">a</td></tr></tbody></table>';
    expect(cleanedPaste(table.replace('<td ', '<td style="width:3pt" '))).toBe(table);
  });

  it('stays as it is when there is nothing to clean', () => {
    expect(cleanedPaste('just words')).toBe('just words');
    expect(cleanedPaste('')).toBe('');
  });
});

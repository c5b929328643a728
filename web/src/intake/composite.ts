/** Text in parts, parted by semicolons and escaped as RFC 6350 §3.4 says; names and addresses are kept so. */
export function joinParts(parts: string[]): string {
  if (parts.every((part) => !part.trim())) return '';
  return parts.map((part) => part.replace(/[\\;]/g, '\\$&').replace(/\n/g, '\\n')).join(';');
}

/** The parts, filled up with empty ones to `count`. */
export function splitParts(text: string, count: number): string[] {
  const parts: string[] = [];
  let part = '';
  for (let i = 0; i < text.length; i++) {
    const char = text.charAt(i);
    if (char === '\\' && i + 1 < text.length) {
      i++;
      part += /[nN]/.test(text.charAt(i)) ? '\n' : text.charAt(i);
    } else if (char === ';') {
      parts.push(part);
      part = '';
    } else {
      part += char;
    }
  }
  parts.push(part);
  while (parts.length < count) parts.push('');
  return parts;
}

/** Items of a list as the server keeps them: a JSON array of objects with raw values. */
export function readItems(text: string): Record<string, string>[] {
  try {
    const read: unknown = JSON.parse(text || '[]');
    return Array.isArray(read) ? (read as Record<string, string>[]) : [];
  } catch {
    return [];
  }
}

export function writeItems(items: Record<string, string>[]): string {
  const kept = items.map((item) =>
    Object.fromEntries(Object.entries(item).filter(([, value]) => value !== '')),
  );
  return kept.length ? JSON.stringify(kept) : '';
}

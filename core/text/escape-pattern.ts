/** A text as a part of a regular expression that matches just it. */
export function escapePattern(text: string): string {
  return text.replace(/[\\^$.*+?()[\]{}|/]/g, '\\$&').replaceAll('-', '\\x2d');
}

/** A name as a part of a file's name: small letters, digits and hyphens. */
export function createFileName(name: string): string {
  return name.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase();
}

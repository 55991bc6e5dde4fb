/** Hands a text to the browser as a file to save. */
export function saveFile(name: string, text: string, type: 'application/json' | 'text/markdown'): void {
  const address = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  URL.revokeObjectURL(address);
}

/** A name as a part of a file's name: small letters, digits and hyphens. */
export function createFileName(name: string): string {
  return name.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase();
}

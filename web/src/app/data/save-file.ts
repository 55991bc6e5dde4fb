/** Hands a text, or a picture, to the browser as a file to save. */
export function saveFile(
  name: string,
  content: string | Blob,
  type: 'application/json' | 'text/markdown' | 'text/csv' | 'text/plain' | 'image/png',
): void {
  const address = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  URL.revokeObjectURL(address);
}

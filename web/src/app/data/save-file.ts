/** Hands a text, or a picture, to the browser as a file to save; `type` is its media type. */
export function saveFile(name: string, content: string | Blob, type: string): void {
  const address = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  URL.revokeObjectURL(address);
}

/** The code of a database from its name: small letters, digits and hyphens. */
export function createCode(name: string): string {
  const plain = name
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^[^a-z]+|-+$/g, '')
    .slice(0, 39);
  return plain === '' ? 'database' : plain;
}

/** The first word of a database's name, where there is no room for all of it. */
export function shortenName(name: string): string {
  return (name.split(' ')[0] ?? name).replace(/[,;:]$/, '');
}

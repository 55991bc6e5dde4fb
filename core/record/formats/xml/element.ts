/** An element of a document in XML, its names without prefixes. */
export interface XmlElement {
  readonly name: string;
  readonly attributes: Readonly<Record<string, string>>;
  /** The text directly in it. */
  readonly text: string;
  readonly children: readonly XmlElement[];
}

/** The elements of a name directly in another one. */
export function listChildren(element: XmlElement, name: string): XmlElement[] {
  return element.children.filter((child) => child.name === name);
}

/** The first element of a name at any depth. */
export function findDescendant(element: XmlElement, name: string): XmlElement | undefined {
  for (const child of element.children) {
    const found = child.name === name ? child : findDescendant(child, name);
    if (found) return found;
  }
  return undefined;
}

/** All elements of a name at any depth, in the order of the document. */
export function listDescendants(element: XmlElement, name: string): XmlElement[] {
  return element.children.flatMap((child) => [
    ...(child.name === name ? [child] : []),
    ...listDescendants(child, name),
  ]);
}

import { listNodes, printQuery, type QueryNode } from '#core/query/index';

/** What a person meant for one database only, or left out there on purpose. It is never counted as a loss. */
export interface Intended {
  readonly node: string;
  readonly piece: string;
  readonly isHere: boolean;
}

/** The pieces of a query that are not meant for all of the chosen databases, seen from one of them. */
export function listIntended(root: QueryNode, database: string, chosen: readonly string[]): Intended[] {
  return listNodes(root).flatMap((node): Intended[] => {
    if (node.kind !== 'only' || chosen.every((one) => node.databases.includes(one))) return [];
    return [{ node: node.item.id, piece: printQuery(node.item), isHere: node.databases.includes(database) }];
  });
}

import { listNodes, printQuery, type QueryNode } from '#core/query/index';

/** What a person meant for one database only, or left out there on purpose. It is never counted as a loss. */
export interface Intended {
  readonly node: string;
  readonly piece: string;
  readonly isHere: boolean;
  /** The person's reason, where there is one. */
  readonly why?: string;
}

/** The pieces of a query that are not meant for all of the chosen databases, seen from one of them. */
export function listIntended(
  root: QueryNode,
  database: string,
  chosen: readonly string[],
  findReason: (piece: string) => string | undefined = () => undefined,
): Intended[] {
  return listNodes(root).flatMap((node): Intended[] => {
    if (node.kind !== 'only' || chosen.every((one) => node.databases.includes(one))) return [];
    const piece = printQuery(node.item);
    const why = findReason(piece) ?? node.comments?.join(' ');
    const isHere = node.databases.includes(database);
    return [{ node: node.item.id, piece, isHere, ...(why !== undefined && why !== '' && { why }) }];
  });
}

import { PLAIN_SORTS, type CollectionAnswers, type CollectionAsked } from '#core/contract/index';
import { fail, type Outcome } from '#core/problem/index';
import { createConnection, type Answerers, type Connection } from '../connection';
import type { CollectionClient } from './collection-client';

/** A collection of records that the person imported, counted and searched in this browser. */
export function createCollectionConnection(
  client: CollectionClient,
  collection: string,
  name: string,
): Connection {
  /** The worker knows the collection by its id only, so what it says is said of the database. */
  const ask = async <K extends Exclude<CollectionAsked['kind'], 'import'>>(
    asked: Extract<CollectionAsked, { readonly kind: K }>,
    signal?: AbortSignal,
  ): Promise<Outcome<CollectionAnswers[K]>> => {
    const outcome = await client.ask<K>(asked, signal);
    if (outcome.ok || outcome.problem.data['database'] === undefined) return outcome;
    return fail({ ...outcome.problem, data: { ...outcome.problem.data, database: name } });
  };
  const answerers: Answerers = {
    count: (asked, signal) => ask({ kind: 'count', collection, ...asked }, signal),
    unions: (asked, signal) => ask({ kind: 'unions', collection, ...asked }, signal),
    search: (request, signal) => ask({ kind: 'search', collection, request }, signal),
    ids: (asked, signal) => ask({ kind: 'ids', collection, request: { ...asked, keys: true } }, signal),
    records: (request, signal) => ask({ kind: 'records', collection, request }, signal),
    lookup: (asked, signal) => ask({ kind: 'lookup', collection, ...asked }, signal),
    words: (asked, signal) => ask({ kind: 'words', collection, suffix: '', ...asked }, signal),
    'set-words': (request, signal) => ask({ kind: 'set-words', collection, request }, signal),
    proof: (request, signal) => ask({ kind: 'proof', collection, request }, signal),
  };
  return createConnection('collection', name, answerers, { sorts: PLAIN_SORTS });
}

import type {
  CollectionAnswers,
  CollectionAsked,
  CountEntry,
  IdsAnswer,
  LookupAnswer,
  ProofAnswer,
  ProofRequest,
  SearchAnswer,
  WordsAnswer,
} from '#core/contract/index';
import { findDialect, type Boxes } from '#core/dialect/index';
import { fail, type Outcome } from '#core/problem/index';
import type { BibliographicRecord } from '#core/record/index';
import { CollectionClient } from './collection-client';
import { StandinClient } from './standin-client';

/** Every database that is not searched by hand: over HTTP, or a collection of one's own in this browser. */
export class DatabaseClient extends StandinClient {
  readonly collections = new CollectionClient();

  /** The collections of databases of one's own, by the databases' short names; handed in by who knows them. */
  ownCollections: () => Readonly<Record<string, string>> = () => ({});

  /** True for a collection of the person's own records. */
  isOwnCollection(database: string): boolean {
    return this.findCollection(database) !== undefined;
  }

  /** True for a database that lists the words of its index. */
  listsWords(database: string): boolean {
    return findDialect(database) !== undefined || this.isOwnCollection(database);
  }

  override async count(
    database: string,
    strings: readonly string[],
    boxes: Boxes,
  ): Promise<Outcome<CountEntry[]>> {
    const collection = this.findCollection(database);
    if (collection === undefined) return super.count(database, strings, boxes);
    return this.askOwn(database, { kind: 'count', collection, strings, boxes });
  }

  override async countUnions(
    database: string,
    unions: readonly (readonly string[])[],
    boxes: Boxes,
  ): Promise<Outcome<CountEntry[]>> {
    const collection = this.findCollection(database);
    if (collection === undefined) return super.countUnions(database, unions, boxes);
    return this.askOwn(database, { kind: 'unions', collection, unions, boxes });
  }

  override async search(
    database: string,
    string: string,
    boxes: Boxes,
    rows: number,
    start = 0,
  ): Promise<Outcome<SearchAnswer>> {
    const collection = this.findCollection(database);
    if (collection === undefined) return super.search(database, string, boxes, rows, start);
    const request = { string, boxes, start, rows, sort: 'relevance' } as const;
    return this.askOwn(database, { kind: 'search', collection, request });
  }

  override async listIds(database: string, string: string, boxes: Boxes): Promise<Outcome<IdsAnswer>> {
    const collection = this.findCollection(database);
    if (collection === undefined) return super.listIds(database, string, boxes);
    return this.askOwn(database, { kind: 'ids', collection, request: { string, boxes, keys: true } });
  }

  override async lookUp(database: string, identifiers: readonly string[]): Promise<Outcome<LookupAnswer>> {
    const collection = this.findCollection(database);
    if (collection === undefined) return super.lookUp(database, identifiers);
    return this.askOwn(database, { kind: 'lookup', collection, identifiers });
  }

  override async prove(database: string, request: ProofRequest): Promise<Outcome<ProofAnswer>> {
    const collection = this.findCollection(database);
    if (collection === undefined) return super.prove(database, request);
    return this.askOwn(database, { kind: 'proof', collection, request });
  }

  override async records(database: string, numbers: readonly number[]): Promise<BibliographicRecord[]> {
    const collection = this.findCollection(database);
    if (collection === undefined) return super.records(database, numbers);
    const outcome = await this.askOwn(database, { kind: 'records', collection, numbers });
    return outcome.ok ? outcome.value : [];
  }

  override async words(
    database: string,
    asked: { readonly prefix: string; readonly suffix?: string; readonly most: number },
  ): Promise<Outcome<WordsAnswer['words']>> {
    const collection = this.findCollection(database);
    if (collection === undefined) return super.words(database, asked);
    return this.askOwn(database, { kind: 'words', collection, suffix: '', ...asked });
  }

  /** Asks a collection; the worker knows it by its id only, so what it says is said of the database. */
  private async askOwn<K extends Exclude<CollectionAsked['kind'], 'import'>>(
    database: string,
    asked: Extract<CollectionAsked, { readonly kind: K }>,
  ): Promise<Outcome<CollectionAnswers[K]>> {
    const outcome = await this.collections.ask(asked);
    if (outcome.ok || outcome.problem.data['database'] === undefined) return outcome;
    const data = { ...outcome.problem.data, database: this.nameOf(database) };
    return fail({ ...outcome.problem, data });
  }

  private findCollection(database: string): string | undefined {
    return this.ownCollections()[database];
  }
}

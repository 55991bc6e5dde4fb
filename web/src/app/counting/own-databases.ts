import { Injectable, computed, effect, inject } from '@angular/core';
import { isSameLimiters, type Limiters } from '#core/limiter/index';
import { readKeptAmount } from '#core/count/index';
import type { Dialect } from '#core/dialect/index';
import { createProblem } from '#core/problem/index';
import type { SruEndpoint } from '#core/sru/index';
import { ConfirmedServers } from '../data/confirmed-servers';
import { DATABASE_CLIENT } from '../data/providers';
import { OpenProject } from '../state/open-project';
import { writeMoment } from '../data/ids';
import type { CountState, CountWish } from './count-state';

/** How the databases of one's own are reached: by SRU, in this browser, or by the person, whose last typed number for exactly a string is its count. */
@Injectable({ providedIn: 'root' })
export class OwnDatabases {
  private readonly open = inject(OpenProject);
  private readonly client = inject(DATABASE_CLIENT);
  private readonly confirmed = inject(ConfirmedServers);
  private readonly endpoints = computed<Readonly<Record<string, SruEndpoint>>>(() => {
    const own = this.open.maybe()?.working.ownDatabases ?? [];
    return Object.fromEntries(
      own.flatMap(({ dialect, connection }) =>
        connection.kind === 'sru' ? [[dialect.id, connection.endpoint] as const] : [],
      ),
    );
  });
  private readonly byHand = computed(
    () =>
      new Set(
        (this.open.maybe()?.working.ownDatabases ?? [])
          .filter(({ connection }) => connection.kind === 'by-hand')
          .map(({ dialect }) => dialect.id),
      ),
  );
  private readonly collections = computed<Readonly<Record<string, string>>>(() => {
    const own = this.open.maybe()?.working.ownDatabases ?? [];
    return Object.fromEntries(
      own.flatMap(({ dialect, connection }) =>
        connection.kind === 'collection' ? [[dialect.id, connection.collection] as const] : [],
      ),
    );
  });
  private readonly typed = computed(() =>
    (this.open.maybe()?.tallies ?? []).filter(({ source }) => source === 'typed'),
  );

  constructor() {
    this.client.endpoints = () => this.endpoints();
    const { nameOf } = this.client;
    this.client.nameOf = (id) => this.open.findPlainDialect(id)?.name ?? nameOf(id);
    this.client.ownCollections = () => this.collections();
    effect(() => void this.remind());
  }

  /** Tells the service of the servers that were confirmed on this machine: it forgets them when it stops. */
  async remind(): Promise<void> {
    await Promise.all(Object.values(this.endpoints()).map((endpoint) => this.confirmed.remind(endpoint)));
  }

  isByHand(database: string): boolean {
    return this.byHand().has(database);
  }

  /** True for a server that is asked string by string. */
  isServer(database: string): boolean {
    return this.endpoints()[database] !== undefined;
  }

  /** True for a collection of the person's own records. */
  isCollection(database: string): boolean {
    return this.collections()[database] !== undefined;
  }

  look({ string }: CountWish, { id, name }: Dialect, limiters: Limiters): CountState {
    const tally = this.typed().findLast(
      (one) => one.database === id && one.string === string && isSameLimiters(one.limiters, limiters),
    );
    if (tally) return { status: 'counted', amount: readKeptAmount(tally) };
    return { status: 'failed', problem: createProblem('count-by-hand', 'warning', { database: name }) };
  }

  /** Keeps a number that the person read off a database's own page. */
  type(database: string, string: string, limiters: Limiters, total: number, estimated = false): void {
    const tally = {
      id: this.open.createId(),
      database,
      string,
      limiters,
      moment: writeMoment(this.open.now()),
      total,
      estimated,
      source: 'typed',
    } as const;
    this.open.change({ kind: 'keep-tallies', tallies: [tally] });
  }
}

import { Injectable, computed, effect, inject } from '@angular/core';
import type { OwnDatabase } from '#core/project/index';
import type { Connection, RequestKind } from '../data/connections/connection';
import { createByHandConnection } from '../data/connections/by-hand/by-hand-connection';
import { isServerThere } from '../data/connections/http';
import { createCollectionConnection } from '../data/connections/own-collection/collection-connection';
import { createServedConnection } from '../data/connections/served/served-databases';
import { ConfirmedServers } from '../data/connections/sru/confirmed-servers';
import { createSruConnection } from '../data/connections/sru/sru-connection';
import { COLLECTION_CLIENT, SERVED_DATABASES } from '../data/providers';
import { OpenProject } from './open-project';

/** How the databases of the open project are reached: those that the person added, each in its kind, and the served ones. */
@Injectable({ providedIn: 'root' })
export class Connections {
  private readonly open = inject(OpenProject);
  private readonly served = inject(SERVED_DATABASES);
  private readonly collections = inject(COLLECTION_CLIENT);
  private readonly confirmed = inject(ConfirmedServers);
  private readonly own = computed(() => this.open.maybe()?.working.ownDatabases ?? []);
  private readonly endpoints = computed(() =>
    this.own().flatMap(({ connection }) => (connection.kind === 'sru' ? [connection.endpoint] : [])),
  );
  /** One for as long as the database is the same: its requests go in turn. */
  private readonly ofOwn = new WeakMap<OwnDatabase, Connection>();
  private readonly ofServed = new Map<string, Connection>();

  constructor() {
    effect(() => void this.remind());
  }

  /** The connection to a database. */
  find(database: string): Connection {
    const own = this.own().find(({ dialect }) => dialect.id === database);
    if (!own) return this.findServed(database);
    const known = this.ofOwn.get(own) ?? this.create(own);
    this.ofOwn.set(own, known);
    return known;
  }

  /** True unless it is known that a database does not answer a request of this kind. */
  mayOffer(database: string, kind: RequestKind): boolean {
    return this.find(database).traits()?.offers.has(kind) ?? true;
  }

  /** True if a database answers requests of this kind; what cannot be known just now, is not. */
  async offers(database: string, kind: RequestKind): Promise<boolean> {
    const known = await this.find(database).whenKnown();
    return known.ok && known.value.offers.has(kind);
  }

  isByHand(database: string): boolean {
    return this.find(database).kind === 'by-hand';
  }

  /** True if Ewer's own server answers. */
  isServerThere(): Promise<boolean> {
    return isServerThere();
  }

  /** Tells the service of the servers that were confirmed on this machine: it forgets them when it stops. */
  async remind(): Promise<void> {
    await Promise.all(this.endpoints().map((endpoint) => this.confirmed.remind(endpoint)));
  }

  private findServed(database: string): Connection {
    const known = this.ofServed.get(database);
    if (known) return known;
    const name = this.open.findPlainDialect(database)?.name ?? database;
    const made = createServedConnection(this.served, database, name);
    this.ofServed.set(database, made);
    return made;
  }

  private create({ dialect, connection }: OwnDatabase): Connection {
    switch (connection.kind) {
      case 'by-hand':
        return createByHandConnection(dialect.name);
      case 'sru':
        return createSruConnection(connection.endpoint, dialect.name);
      case 'collection':
        return createCollectionConnection(this.collections, connection.collection, dialect.name);
    }
  }
}

import { Injectable, inject, signal } from '@angular/core';
import type { StandinListing } from '#core/contract/index';
import { DATABASE_CLIENT } from '../data/providers';

/** What is known of the databases as wholes: asked once, and again when it could not be had. */
@Injectable({ providedIn: 'root' })
export class Databases {
  private readonly client = inject(DATABASE_CLIENT);
  private readonly listed = signal<readonly StandinListing[]>([]);
  private asked: Promise<void> | undefined;

  /** The number of records of a database; nothing while it is not known. */
  sizeOf(database: string): number | undefined {
    void this.load();
    return this.listed().find((listing) => listing.id === database)?.records;
  }

  /** True for a database that is asked by SRU. */
  isSru(database: string): boolean {
    void this.load();
    return this.listed().some(({ id, protocol }) => id === database && protocol === 'sru');
  }

  /** True if a database counts the results of several strings together. */
  async unites(database: string): Promise<boolean> {
    if (this.client.isOwnCollection(database)) return true;
    await this.load();
    return this.listed().some(({ id, givesIds }) => id === database && givesIds === true);
  }

  private load(): Promise<void> {
    this.asked ??= this.client.list().then((outcome) => {
      if (outcome.ok) this.listed.set(outcome.value);
      else this.asked = undefined;
    });
    return this.asked;
  }
}

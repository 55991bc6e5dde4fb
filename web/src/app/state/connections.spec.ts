import '@angular/compiler';
import { signal } from '@angular/core';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { DIALECTS } from '#core/dialect/index';
import { createProblem, fail, succeed } from '#core/problem/index';
import type { OwnDatabase } from '#core/project/index';
import { CollectionClient } from '../data/connections/own-collection/collection-client';
import { type ServedDatabases } from '../data/connections/served/served-databases';
import { ConfirmedServers } from '../data/connections/sru/confirmed-servers';
import { COLLECTION_CLIENT, SERVED_DATABASES } from '../data/providers';
import { startInjection } from '../testing/injection';
import { Connections } from './connections';
import { OpenProject } from './open-project';

const angular = startInjection();
const [dialect] = DIALECTS;
const endpoint = { address: 'https://sru.example.org', version: '1.2' } as const;
const own = (id: string, connection: OwnDatabase['connection']): OwnDatabase => ({
  dialect: { ...dialect!, id, name: `The ${id}` },
  connection,
});
const HAND = own('paperbark', { kind: 'by-hand' });
const FAR = own('far', { kind: 'sru', endpoint });
const SHELF = own('shelf', { kind: 'collection', collection: 'c-1' });

const databases = signal<readonly OwnDatabase[]>([]);
const remind = vi.fn(() => Promise.resolve(succeed(true as const)));
const listing = {
  id: 'gantry',
  name: 'Gantry',
  kind: 'index',
  sentLimiters: [],
  records: 9,
  hasThesaurus: false,
  givesIds: true,
  sorts: ['relevance' as const],
};

function createConnections(served: Partial<ServedDatabases> = {}): Connections {
  angular.resetTestingModule();
  angular.configureTestingModule({
    providers: [
      {
        provide: OpenProject,
        useValue: {
          maybe: () => ({ working: { ownDatabases: databases() } }),
          findPlainDialect: (id: string) => DIALECTS.find((one) => one.id === id),
        },
      },
      { provide: SERVED_DATABASES, useValue: served },
      { provide: COLLECTION_CLIENT, useValue: new CollectionClient() },
      { provide: ConfirmedServers, useValue: { remind } },
    ],
  });
  return angular.inject(Connections);
}

beforeEach(() => {
  databases.set([HAND, FAR, SHELF]);
  remind.mockClear();
});

describe('the databases of a project', () => {
  it('are each reached in their kind, by the name that people know', () => {
    const connections = createConnections();
    const kinds = ['paperbark', 'far', 'shelf', 'gantry'].map((id) => connections.find(id).kind);
    expect(kinds).toEqual(['by-hand', 'sru', 'collection', 'served']);
    expect(connections.find('shelf').name).toBe('The shelf');
    expect(connections.find('gantry').name).toBe('Gantry Engineering Abstracts');
    expect(['paperbark', 'gantry'].map((id) => connections.isByHand(id))).toEqual([true, false]);
  });

  it('keep one connection for as long as they are the same', () => {
    const connections = createConnections();
    const [shelf, gantry] = [connections.find('shelf'), connections.find('gantry')];
    databases.set([...databases()]);
    expect(connections.find('shelf')).toBe(shelf);
    databases.set([{ ...SHELF, connection: { kind: 'by-hand' } }]);
    expect(connections.find('shelf').kind).toBe('by-hand');
    expect(connections.find('far').kind).toBe('served');
    expect(connections.find('gantry')).toBe(gantry);
  });

  it('offer what their kind can do; of a served one that is not known yet, it is not denied', async () => {
    const known = vi.fn(() => Promise.resolve(succeed(listing)));
    const connections = createConnections({ listing: () => undefined, find: known });
    expect(connections.mayOffer('gantry', 'thesaurus')).toBe(true);
    expect(connections.mayOffer('far', 'words')).toBe(false);
    expect(connections.mayOffer('shelf', 'words')).toBe(true);
    expect(await connections.offers('gantry', 'thesaurus')).toBe(false);
    expect(await connections.offers('gantry', 'unions')).toBe(true);
    expect(await connections.offers('far', 'unions')).toBe(false);
    known.mockResolvedValueOnce(fail(createProblem('service-gone', 'error')) as never);
    expect(await connections.offers('gantry', 'unions')).toBe(false);
  });

  it('that are servers outside are named to the service again, now and when others are added', () => {
    createConnections();
    angular.tick();
    expect(remind).toHaveBeenCalledExactlyOnceWith(endpoint);
    const other = { ...endpoint, address: 'https://other.example.org' };
    databases.set([...databases(), own('other', { kind: 'sru', endpoint: other })]);
    angular.tick();
    expect(remind).toHaveBeenLastCalledWith(other);
  });
});

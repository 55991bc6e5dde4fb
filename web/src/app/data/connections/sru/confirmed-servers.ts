import { Injectable, inject } from '@angular/core';
import Joi from 'joi';
import { succeed, type Outcome } from '#core/problem/index';
import { SRU_ENDPOINT, type SruEndpoint } from '#core/sru/index';
import { confirmSruServer } from './sru-connection';
import { Settings } from '../../settings';

const NAME = 'confirmed-servers';
const STORED = Joi.array<SruEndpoint[]>().items(SRU_ENDPOINT).max(200);

/**
 * The servers outside that this person has confirmed on this machine. A project that comes from
 * elsewhere names servers, too: they are asked only after they were confirmed here.
 */
@Injectable({ providedIn: 'root' })
export class ConfirmedServers {
  private readonly settings = inject(Settings);

  isConfirmed({ address }: SruEndpoint): boolean {
    return this.read().some((one) => one.address === address);
  }

  /** Says yes to a server, here and to the service that asks it. */
  async confirm(endpoint: SruEndpoint): Promise<Outcome<true>> {
    const outcome = await confirmSruServer(endpoint);
    if (outcome.ok && !this.isConfirmed(endpoint)) this.settings.write(NAME, [...this.read(), endpoint]);
    return outcome;
  }

  /** Tells the service again: it forgets when it stops. Nothing for a server that was not confirmed here. */
  async remind(endpoint: SruEndpoint): Promise<Outcome<true>> {
    return this.isConfirmed(endpoint) ? confirmSruServer(endpoint) : succeed(true);
  }

  private read(): readonly SruEndpoint[] {
    return this.settings.read(NAME, STORED, []);
  }
}

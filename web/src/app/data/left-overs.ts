import Joi from 'joi';
import type { SchemaOf } from '#core/schema/index';

/** A project with changes that were not saved when its page was left. */
export interface LeftOver {
  readonly id: string;
  /** The save that the changes follow. */
  readonly revision: number;
  /** When it was left: ISO 8601, UTC. */
  readonly saved: string;
  /** As it would have been stored. */
  readonly stored: unknown;
}

const LEFT_OVER = Joi.object<LeftOver>({
  id: Joi.string().required(),
  revision: Joi.number().integer().min(0).required(),
  saved: Joi.string().isoDate().required(),
  stored: Joi.object().unknown().required(),
} satisfies SchemaOf<LeftOver>);

/**
 * What a page that is left has no time to save: its storage writes at once, where that of the projects
 * would be cut off. Where there is no such storage, or no room, nothing is kept and nothing throws.
 */
export class LeftOvers {
  /** What this window put, by project. */
  private readonly own = new Map<string, string>();

  constructor(private readonly storage: Storage | undefined = findStorage()) {}

  /** False if there is no room. */
  put(leftOver: LeftOver): boolean {
    const text = JSON.stringify(leftOver);
    try {
      if (!this.storage) return false;
      this.storage.setItem(createKey(leftOver.id), text);
      this.own.set(leftOver.id, text);
      return true;
    } catch {
      // No room: the save that is under way has to do.
      return false;
    }
  }

  find(id: string): LeftOver | undefined {
    const text = this.storage?.getItem(createKey(id));
    if (text === undefined || text === null) return undefined;
    try {
      const result = LEFT_OVER.validate(JSON.parse(text), { convert: false });
      return result.error ? undefined : result.value;
    } catch {
      return undefined;
    }
  }

  drop(id: string): void {
    this.storage?.removeItem(createKey(id));
  }

  /** Drops what this window put, not what another one has put since. */
  dropOwn(id: string): void {
    const own = this.own.get(id);
    this.own.delete(id);
    if (own !== undefined && this.storage?.getItem(createKey(id)) === own) this.drop(id);
  }
}

function createKey(id: string): string {
  return `ewer-left-${id}`;
}

function findStorage(): Storage | undefined {
  try {
    return globalThis.localStorage;
  } catch {
    return undefined;
  }
}

import { Injectable } from '@angular/core';
import type Joi from 'joi';

/** Small choices that a person made on this device, by their names. Without storage they last as long as the page. */
@Injectable({ providedIn: 'root' })
export class Settings {
  /** What was kept under a name, if the schema takes it; else what is usual. */
  read<T>(name: string, schema: Joi.Schema<T>, usual: T): T {
    try {
      const kept = localStorage.getItem(createKey(name));
      if (kept === null) return usual;
      const result = schema.validate(parse(kept), { convert: false, stripUnknown: true });
      return result.error ? usual : result.value;
    } catch {
      return usual;
    }
  }

  write(name: string, value: unknown): void {
    try {
      localStorage.setItem(createKey(name), JSON.stringify(value));
    } catch {
      // A browser that keeps nothing still shows what was chosen.
    }
  }
}

/** An older Ewer kept some of them as plain text. */
function parse(kept: string): unknown {
  try {
    return JSON.parse(kept) as unknown;
  } catch {
    return kept;
  }
}

function createKey(name: string): string {
  return `ewer-${name}`;
}

import type { TranslocoTranspiler } from '@jsverse/transloco';
import { IntlMessageFormat } from 'intl-messageformat';
import type { MessageParameters } from './message-key';

/** Messages in ICU form: `{count, plural, one {record} other {records}}`. Each is read once. */
export class IcuTranspiler implements TranslocoTranspiler {
  private readonly formats = new Map<string, IntlMessageFormat>();

  constructor(private readonly language: string) {}

  transpile({ value, params }: { value: unknown; params?: MessageParameters }): string {
    const message = String(value);
    // Most messages have nothing to fill in.
    if (!/[{']/.test(message)) return message;
    let format = this.formats.get(message);
    if (!format) {
      format = new IntlMessageFormat(message, this.language, undefined, { ignoreTag: true });
      this.formats.set(message, format);
    }
    // What is not known yet is not said, as Angular has it in templates.
    const filled = Object.entries(params ?? {}).map(([name, one]) => [name, one ?? ''] as const);
    return String(format.format(Object.fromEntries(filled)));
  }
}

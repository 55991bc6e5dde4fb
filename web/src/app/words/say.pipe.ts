import { Pipe, type PipeTransform } from '@angular/core';
import type { MessageKey, MessageParameters } from './message-key';
import { say } from './say';

/** `{{ 'shared.records' | say: { count: 3 } }}`: a message of the catalogue. The language stays as long as the page does. */
@Pipe({ name: 'say' })
export class SayPipe implements PipeTransform {
  transform(key: MessageKey, parameters?: MessageParameters): string {
    return say(key, parameters);
  }
}

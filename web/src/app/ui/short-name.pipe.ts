import { Pipe, type PipeTransform } from '@angular/core';
import { shortenName } from './short-name';

/** The short name of a database, where many stand side by side. */
@Pipe({ name: 'shortName' })
export class ShortNamePipe implements PipeTransform {
  transform(name: string): string {
    return shortenName(name);
  }
}

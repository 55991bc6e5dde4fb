import {
  inject,
  makeEnvironmentProviders,
  provideAppInitializer,
  type EnvironmentProviders,
} from '@angular/core';
import {
  TRANSLOCO_MISSING_HANDLER,
  TranslocoService,
  provideTransloco,
  provideTranslocoLoader,
  provideTranslocoTranspiler,
  type Translation,
  type TranslocoLoader,
  type TranslocoMissingHandler,
} from '@jsverse/transloco';
import { firstValueFrom } from 'rxjs';
import { IcuTranspiler } from './icu-transpiler';

/** Brings the messages of a language, by name. */
export type FetchWords = (language: string) => Promise<Translation>;

const ENGLISH = 'en';

/** The catalogue of all words: loaded before the first view is drawn, and the same until the page is left. */
export function provideWords(fetchWords: FetchWords): EnvironmentProviders {
  class Loader implements TranslocoLoader {
    getTranslation(language: string): Promise<Translation> {
      return fetchWords(language);
    }
  }
  return makeEnvironmentProviders([
    provideTransloco({
      config: { availableLangs: [ENGLISH], defaultLang: ENGLISH, fallbackLang: ENGLISH },
      loader: Loader,
    }),
    provideTranslocoLoader(Loader),
    provideTranslocoTranspiler(EnglishTranspiler),
    { provide: TRANSLOCO_MISSING_HANDLER, useClass: TellMissing },
    provideAppInitializer(() => firstValueFrom(inject(TranslocoService).load(ENGLISH))),
  ]);
}

class EnglishTranspiler extends IcuTranspiler {
  constructor() {
    super(ENGLISH);
  }
}

/** A name without a message is a fault of the build: types and tests know all names. */
class TellMissing implements TranslocoMissingHandler {
  handle(key: string): string {
    throw new Error(`The catalogue has no message ${key}.`);
  }
}

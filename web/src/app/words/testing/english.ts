import { Injector, createEnvironmentInjector, type EnvironmentInjector } from '@angular/core';
import { TranslocoService } from '@jsverse/transloco';
import english from '../../../../public/words.en.json';
import { provideWords } from '../provide-words';

/** Makes `say` say what the page says, without a page. */
export function sayInEnglish(): void {
  const words = createEnvironmentInjector(
    [provideWords(() => Promise.resolve(english)), TranslocoService],
    Injector.NULL as EnvironmentInjector,
  );
  words.get(TranslocoService).setTranslation(english, 'en');
}

import { MAT_FORM_FIELD_DEFAULT_OPTIONS } from '@angular/material/form-field';
import { APP_BASE_HREF } from '@angular/common';
import {
  type ApplicationConfig,
  provideAppInitializer,
  provideBrowserGlobalErrorListeners,
  provideZonelessChangeDetection,
} from '@angular/core';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideStore } from '@ngrx/store';
import { APP_ROUTES } from './app.routes';
import { fetchWords } from './data/fetch-words';
import { saveFile } from './data/save-file';
import { keepTheme } from './state/kept-theme';
import { SAVE_FILE } from './ui/save-file';
import * as otherWindowsEffects from './state/other-windows.effects';
import * as projectEffects from './state/project.effects';
import { projectFeature } from './state/project.feature';
import { provideWords } from './words/provide-words';

export const appConfig: ApplicationConfig = {
  providers: [
    // Labels are always seen: in filled fields of this density there is no room for them.
    {
      provide: MAT_FORM_FIELD_DEFAULT_OPTIONS,
      useValue: { appearance: 'outline', floatLabel: 'always', subscriptSizing: 'dynamic' },
    },
    // The page has no base element: the server's content policy allows none, so that nobody can slip one in.
    { provide: APP_BASE_HREF, useValue: '/' },
    provideBrowserGlobalErrorListeners(),
    provideZonelessChangeDetection(),
    provideWords(fetchWords),
    provideAppInitializer(keepTheme),
    { provide: SAVE_FILE, useValue: saveFile },
    provideRouter(APP_ROUTES, withComponentInputBinding()),
    provideStore({ [projectFeature.name]: projectFeature.reducer }),
    provideEffects(projectEffects, otherWindowsEffects),
  ],
};

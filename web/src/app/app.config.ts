import { APP_BASE_HREF } from '@angular/common';
import {
  type ApplicationConfig,
  provideBrowserGlobalErrorListeners,
  provideZonelessChangeDetection,
} from '@angular/core';
import { provideRouter, withComponentInputBinding } from '@angular/router';
import { provideEffects } from '@ngrx/effects';
import { provideStore } from '@ngrx/store';
import { APP_ROUTES } from './app.routes';
import * as otherWindowsEffects from './state/other-windows.effects';
import * as projectEffects from './state/project.effects';
import { projectFeature } from './state/project.feature';

export const appConfig: ApplicationConfig = {
  providers: [
    // The page has no base element: the server's content policy allows none, so that nobody can slip one in.
    { provide: APP_BASE_HREF, useValue: '/' },
    provideBrowserGlobalErrorListeners(),
    provideZonelessChangeDetection(),
    provideRouter(APP_ROUTES, withComponentInputBinding()),
    provideStore({ [projectFeature.name]: projectFeature.reducer }),
    provideEffects(projectEffects, otherWindowsEffects),
  ],
};

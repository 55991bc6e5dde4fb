import { bootstrapApplication } from '@angular/platform-browser';
import { appConfig } from './app/app.config';
import { RootComponent } from './app/shell/root.component';

bootstrapApplication(RootComponent, appConfig).catch((error: unknown) => {
  console.error(error);
  // Without its words nothing else of the page can speak.
  document.body.textContent =
    'Ewer could not be loaded. Check that its server runs, then load this page again.';
});

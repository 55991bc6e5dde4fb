import { ApplicationRef, Injectable, inject } from '@angular/core';

/**
 * Shows at once what has changed. A field shows a letter as soon as it is typed; what stands beside it must
 * not wait for the next turn, or for a moment a number stands beside a text that it is not of.
 */
@Injectable({ providedIn: 'root' })
export class Screen {
  private readonly application = inject(ApplicationRef);

  /** When the listener that calls it is done, before anything else happens. */
  show(): void {
    queueMicrotask(() => {
      if (!this.application.destroyed) this.application.tick();
    });
  }
}

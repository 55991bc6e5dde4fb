import { Injectable, Injector, inject } from '@angular/core';
import { say } from '../words/say';

/** A message goes away after so many milliseconds. */
const SHOWN = 4_000;
/** One that can take something back stays longer. */
const SHOWN_WITH_WAY_BACK = 8_000;

/** Says that something is done, where the screen does not show it by itself. Screen readers hear it, too. */
@Injectable({ providedIn: 'root' })
export class Messages {
  private readonly injector = inject(Injector);

  /** Shows a message; with `undo`, also a button that takes back what was done. */
  show(text: string, undo?: () => void): void {
    void this.open(text, undo);
  }

  /** Says how copying came out; `what` begins a sentence, such as “All strings”. */
  showCopied(isCopied: boolean, what: string): void {
    this.show(isCopied ? say('ui.copied', { what }) : say('ui.theClipboardCannotBeUsed'));
  }

  private async open(text: string, undo?: () => void): Promise<void> {
    // Fetched when it is first needed: the first view has to be small.
    const { MatSnackBar } = await import('@angular/material/snack-bar');
    const snackBar = this.injector.get(MatSnackBar);
    const shown = snackBar.open(text, undo && say('shared.undo'), {
      duration: undo ? SHOWN_WITH_WAY_BACK : SHOWN,
    });
    if (undo) shown.onAction().subscribe(undo);
  }
}

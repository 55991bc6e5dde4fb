import { Clipboard } from '@angular/cdk/clipboard';
import { Injectable, inject } from '@angular/core';

/** The clipboard of the person's system, for text. */
@Injectable({ providedIn: 'root' })
export class TextClipboard {
  private readonly clipboard = inject(Clipboard);

  /** Copies a text; false if the browser does not allow it. */
  copy(text: string): boolean {
    return this.clipboard.copy(text);
  }

  /** The text on the clipboard; nothing if the browser does not give it. */
  async read(): Promise<string | undefined> {
    try {
      return await navigator.clipboard.readText();
    } catch {
      return undefined;
    }
  }
}

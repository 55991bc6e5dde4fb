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

  /**
   * Copies a text with its layout, for programs that take it, and without, for the others; false if the browser does
   * not allow it.
   */
  async copyRich(html: string, text: string): Promise<boolean> {
    try {
      const content = { 'text/html': html, 'text/plain': text };
      const parts = Object.entries(content).map(
        ([type, part]) => [type, new Blob([part], { type })] as const,
      );
      await navigator.clipboard.write([new ClipboardItem(Object.fromEntries(parts))]);
      return true;
    } catch {
      return this.copy(text);
    }
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

import { DOCUMENT, Injectable, effect, inject, signal } from '@angular/core';
import { say } from '../words/say';

/** The colours that a person can choose. */
export const THEMES = ['System', 'Light', 'Dark'] as const;
export type Theme = (typeof THEMES)[number];

/** What the colours are called. */
export const THEME_NAMES: Readonly<Record<Theme, string>> = {
  get System() {
    return say('ui.system');
  },
  get Light() {
    return say('ui.light');
  },
  get Dark() {
    return say('ui.dark');
  },
};

/** Light, dark, or as the person's system has it. */
@Injectable({ providedIn: 'root' })
export class ThemeChoice {
  private readonly root = inject(DOCUMENT).documentElement;
  readonly choice = signal<Theme>('System');

  constructor() {
    effect(() => {
      const choice = this.choice();
      if (choice === 'System') delete this.root.dataset['theme'];
      else this.root.dataset['theme'] = choice.toLowerCase();
    });
  }

  /** Goes on to the next colours. */
  chooseNext(): void {
    this.choice.update((choice) => THEMES[(THEMES.indexOf(choice) + 1) % THEMES.length] ?? 'System');
  }
}

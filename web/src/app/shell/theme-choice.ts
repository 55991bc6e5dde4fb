import { DOCUMENT, Injectable, effect, inject, signal } from '@angular/core';

const CHOICES = ['System', 'Light', 'Dark'] as const;
const KEY = 'ewer-colours';

/** Light, dark, or as the person's system has it; remembered on this device. */
@Injectable({ providedIn: 'root' })
export class ThemeChoice {
  private readonly root = inject(DOCUMENT).documentElement;
  readonly choice = signal<(typeof CHOICES)[number]>(readChoice());

  constructor() {
    effect(() => {
      const choice = this.choice();
      if (choice === 'System') delete this.root.dataset['theme'];
      else this.root.dataset['theme'] = choice.toLowerCase();
      try {
        localStorage.setItem(KEY, choice);
      } catch {
        // A browser that keeps nothing still shows the colours chosen.
      }
    });
  }

  turn(): void {
    this.choice.update((choice) => CHOICES[(CHOICES.indexOf(choice) + 1) % CHOICES.length] ?? 'System');
  }
}

function readChoice(): (typeof CHOICES)[number] {
  try {
    const kept = localStorage.getItem(KEY);
    return CHOICES.find((choice) => choice === kept) ?? 'System';
  } catch {
    return 'System';
  }
}

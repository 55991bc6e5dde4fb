import { effect, inject } from '@angular/core';
import Joi from 'joi';
import { Settings } from '../data/settings';
import { THEMES, ThemeChoice, type Theme } from '../ui/theme-choice';

const NAME = 'colours';
const STORED = Joi.string<Theme>().valid(...THEMES);

/** Begins with the colours that were chosen last on this device, and keeps what is chosen. */
export function keepTheme(): void {
  const settings = inject(Settings);
  const theme = inject(ThemeChoice);
  theme.choice.set(settings.read<Theme>(NAME, STORED, 'System'));
  effect(() => settings.write(NAME, theme.choice()));
}

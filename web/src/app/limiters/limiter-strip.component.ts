import { CdkConnectedOverlay, CdkOverlayOrigin } from '@angular/cdk/overlay';
import {
  LIMITERS,
  listLimiters,
  listLimitersOf,
  type LimiterName,
  type LimiterOf,
  type Limiters,
} from '#core/limiter/index';
import { CdkTrapFocus } from '@angular/cdk/a11y';
import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatCheckbox } from '@angular/material/checkbox';
import type { Dialect } from '#core/dialect/index';
import { DOCUMENT_TYPES, LANGUAGES, type DocumentType } from '#core/record/index';
import { shortenName } from '#core/text/index';
import { IconComponent } from '../ui/icon.component';

/** The limiters in force as chips, and a panel to change them; one set for all databases. */
@Component({
  selector: 'app-limiter-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [CdkConnectedOverlay, CdkOverlayOrigin, CdkTrapFocus, MatCheckbox, IconComponent],
  templateUrl: './limiter-strip.component.html',
  styleUrl: './limiter-strip.component.scss',
})
export class LimiterStripComponent {
  readonly limiters = input.required<Limiters>();
  /** The databases that are searched. */
  readonly dialects = input<readonly Dialect[]>([]);
  readonly changed = output<Limiters>();

  protected readonly types = DOCUMENT_TYPES;
  protected readonly languages = LANGUAGES;
  protected readonly flags = listLimitersOf('flag').map((name) => ({ name, label: LIMITERS[name].label }));
  protected readonly isOpen = signal(false);
  protected readonly chips = computed(() =>
    listLimiters(this.limiters()).map(({ name, value }) => ({
      name,
      text: name === 'languages' ? this.nameLanguages(value) : value,
      ...this.listWithout(name),
    })),
  );

  protected remove(name: LimiterName): void {
    const { [name]: _, ...rest } = this.limiters();
    this.changed.emit(rest);
  }

  protected setYear(end: 'from' | 'to', typed: string): void {
    const { [end]: _, ...others } = this.limiters().years ?? {};
    const number = Number(typed);
    const years =
      typed.trim() !== '' && Number.isInteger(number) && number >= 0 && number <= 9999
        ? { ...others, [end]: number }
        : others;
    const { years: __, ...rest } = this.limiters();
    this.changed.emit(Object.keys(years).length > 0 ? { ...rest, years } : rest);
  }

  protected setMonth(end: 'from' | 'to', typed: string): void {
    const { [end]: _, ...others } = this.limiters().entered ?? {};
    const entered = /^\d{4}-(0[1-9]|1[0-2])$/.test(typed) ? { ...others, [end]: typed } : others;
    const { entered: __, ...rest } = this.limiters();
    this.changed.emit(Object.keys(entered).length > 0 ? { ...rest, entered } : rest);
  }

  /** Several names stand with semicolons between them. */
  protected setNames(name: 'sources' | 'subjects', typed: string): void {
    const names = [
      ...new Set(
        typed
          .split(';')
          .map((one) => one.trim())
          .filter((one) => one !== ''),
      ),
    ];
    const { [name]: _, ...rest } = this.limiters();
    this.changed.emit(names.length > 0 ? { ...rest, [name]: names } : rest);
  }

  protected setType(type: DocumentType, on: boolean): void {
    const chosen = this.limiters().types ?? [];
    const types = DOCUMENT_TYPES.filter((other) => (other === type ? on : chosen.includes(other)));
    const { types: _, ...rest } = this.limiters();
    this.changed.emit(types.length > 0 ? { ...rest, types } : rest);
  }

  protected setLanguage(code: string, on: boolean): void {
    const chosen = this.limiters().languages ?? [];
    const languages = LANGUAGES.map((language) => language.code).filter((other) =>
      other === code ? on : chosen.includes(other),
    );
    const { languages: _, ...rest } = this.limiters();
    this.changed.emit(languages.length > 0 ? { ...rest, languages } : rest);
  }

  protected setFlag(name: LimiterOf<'flag'>, on: boolean): void {
    const { [name]: _, ...rest } = this.limiters();
    this.changed.emit(on ? { ...rest, [name]: true } : rest);
  }

  protected hasType(type: DocumentType): boolean {
    return this.limiters().types?.includes(type) ?? false;
  }

  protected hasLanguage(code: string): boolean {
    return this.limiters().languages?.includes(code) ?? false;
  }

  /** The databases that do not apply a limiter, in short and with what they say about it. */
  private listWithout(name: LimiterName): { without: string; why: string } {
    const without = this.dialects().filter(({ limiters }) => limiters[name].how === 'none');
    return {
      without:
        without.length > 1
          ? `${without.length} of ${this.dialects().length}`
          : without.map((dialect) => shortenName(dialect.name)).join(''),
      why: without
        .map((dialect) => `${dialect.name}: ${dialect.limiters[name].note ?? 'does not have this limiter'}`)
        .join('; '),
    };
  }

  private nameLanguages(codes: string): string {
    return LANGUAGES.reduce((text, { code, name }) => text.replace(code, name), codes);
  }
}

import type { Dialect } from '#core/dialect/index';
import type { LimiterName } from '#core/limiter/index';
import { shortenName } from '#core/text/index';

/** The databases that do not have a limiter: in short, and with what each says about it; empty if all have it. */
export function describeMissing(
  name: LimiterName,
  dialects: readonly Dialect[],
): { readonly without: string; readonly why: string } {
  const without = dialects.filter(({ limiters }) => limiters[name].how === 'none');
  return {
    without:
      without.length > 1
        ? `${without.length} of ${dialects.length}`
        : without.map((dialect) => shortenName(dialect.name)).join(''),
    why: without
      .map((dialect) => `${dialect.name}: ${dialect.limiters[name].note ?? 'does not have this limiter'}`)
      .join('; '),
  };
}

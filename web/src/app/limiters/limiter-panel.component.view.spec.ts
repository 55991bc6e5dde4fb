import { describe, expect, it, vi } from 'vitest';
import { createAmount } from '#core/count/index';
import type { Dialect } from '#core/dialect/index';
import type { Limiters } from '#core/limiter/index';
import { CLOCK_AND_IDS } from '../data/clock-and-ids';
import { RecordDrawer } from '../records/record-drawer';
import { createCounted, drawView, getDialect, type View } from '../testing/view';
import { LimiterCounts } from './limiter-counts';
import { LimiterPanelComponent } from './limiter-panel.component';

const AMOUNTS: Readonly<Record<string, number>> = {
  '{}': 225,
  '{"peerReviewed":true}': 181,
  '{"years":{"from":2017}}': 90,
};

function draw(limiters: Limiters, databases = ['heronsmere', 'cardinal']) {
  const look: LimiterCounts['look'] = (asked, name, dialect) =>
    dialect.limiters[name].how === 'none'
      ? undefined
      : createCounted('bat', dialect.id, {
          status: 'counted',
          amount: createAmount(AMOUNTS[JSON.stringify(asked)] ?? 7),
        });
  const view = drawView(LimiterPanelComponent, { limiters, dialects: databases.map(getDialect) }, [
    { provide: LimiterCounts, useValue: { look, canCount: ({ id }: Dialect) => id !== 'northern' } },
    { provide: CLOCK_AND_IDS, useValue: { now: () => Date.UTC(2026, 5, 1), createId: () => 'id' } },
    { provide: RecordDrawer, useValue: {} },
  ]);
  const changed = vi.fn<(limiters: Limiters) => void>();
  view.component.changed.subscribe(changed);
  return { view, changed };
}

function type(view: View<LimiterPanelComponent>, name: string, text: string): void {
  const field = view.find<HTMLInputElement>('textbox', name);
  field.value = text;
  field.dispatchEvent(new Event('input'));
  field.dispatchEvent(new Event('change'));
  view.draw();
}

/** The line of a value, as it reads. */
function readLine(view: View<LimiterPanelComponent>, label: string): string {
  const lines = [...view.element.querySelectorAll('.line')].map((line) =>
    (line.textContent ?? '').replace(/\s+/g, ' ').trim(),
  );
  return lines.find((line) => line.startsWith(label)) ?? '';
}

describe('the panel of limiters', () => {
  it('says beside each value what the draft finds with it, and without it', () => {
    const { view } = draw({});
    expect(readLine(view, 'peer-reviewed')).toBe('peer-reviewednot in Cardinal 181 of 225');
    expect(readLine(view, 'last 10 years')).toBe('last 10 years (from 2017) 90');
  });

  it('shows no number for what the database does not have', () => {
    const { view } = draw({}, ['cardinal']);
    expect(readLine(view, 'peer-reviewed')).not.toMatch(/\d/);
  });

  it('counts nothing unbidden where one string is taken at a time', () => {
    const { view } = draw({}, ['northern']);
    expect(view.text()).toContain('takes one search at a time');
    expect(readLine(view, 'last 10 years')).toBe('last 10 years (from 2017)');
  });

  it('sets the years to a span that ends with this year, and takes them away again', () => {
    const { view, changed } = draw({});
    view.find('radio', 'last 10 years (from 2017)').click();
    expect(changed).toHaveBeenLastCalledWith({ years: { from: 2017 } });
    view.setInput('limiters', { years: { from: 2017 } });
    view.find('radio', 'any year').click();
    expect(changed).toHaveBeenLastCalledWith({});
  });

  it('takes other years, and says what is no year in place of setting it', () => {
    const { view, changed } = draw({ years: { from: 2003 } });
    type(view, 'to', '2024');
    expect(changed).toHaveBeenLastCalledWith({ years: { from: 2003, to: 2024 } });
    type(view, 'to', '20240');
    expect(changed).toHaveBeenCalledTimes(1);
    expect(view.text()).toContain('A whole number from 0 to 9999');
  });

  it('takes months as people write them', () => {
    const { view, changed } = draw({});
    type(view, 'since', '3/2026');
    expect(changed).toHaveBeenLastCalledWith({ entered: { from: '2026-03' } });
    type(view, 'since', '2026-13');
    expect(changed).toHaveBeenCalledTimes(1);
    expect(view.text()).toContain('Year and month, as 2026-03');
  });

  it('sets and takes away types, languages and flags', () => {
    const { view, changed } = draw({ types: ['review'], peerReviewed: true });
    view.find('checkbox', 'article').click();
    expect(changed).toHaveBeenLastCalledWith({ types: ['article', 'review'], peerReviewed: true });
    view.find('checkbox', 'English').click();
    expect(changed).toHaveBeenLastCalledWith({ types: ['review'], peerReviewed: true, languages: ['en'] });
    view.find('checkbox', 'peer-reviewed').click();
    expect(changed).toHaveBeenLastCalledWith({ types: ['review'] });
  });

  it('takes several journals, each once', () => {
    const { view, changed } = draw({});
    type(view, 'Journals', 'Annals of Dusk; Lamp Review;Lamp Review; ');
    expect(changed).toHaveBeenLastCalledWith({ sources: ['Annals of Dusk', 'Lamp Review'] });
  });
});

import { describe, expect, it, vi } from 'vitest';
import type { Limiters } from '#core/limiter/index';
import { drawView, getDialect } from '../testing/view';
import { LimiterStripComponent } from './limiter-strip.component';

const DIALECTS = [getDialect('heronsmere'), getDialect('cardinal')];

function draw(limiters: Limiters) {
  const view = drawView(LimiterStripComponent, { limiters, dialects: DIALECTS });
  const changed = vi.fn<(limiters: Limiters) => void>();
  view.component.changed.subscribe(changed);
  return { view, changed };
}

describe('the limiters', () => {
  it('stand as chips, say where they do not apply, and can be removed', () => {
    const { view, changed } = draw({ years: { from: 2015 }, peerReviewed: true });
    expect(view.element.querySelectorAll('.chip')).toHaveLength(2);
    // Cardinal does not know peer review.
    expect(view.text()).toContain('not in Cardinal');
    view.find('button', 'Remove the limiter peer-reviewed').click();
    expect(changed).toHaveBeenCalledWith({ years: { from: 2015 } });
  });

  it('are set in a panel that opens and closes', () => {
    const { view, changed } = draw({ years: { from: 2015 } });
    const button = view.find('button', '+ limiter');
    expect(button.getAttribute('aria-expanded')).toBe('false');
    button.click();
    view.draw();
    expect(button.getAttribute('aria-expanded')).toBe('true');
    view.find('checkbox', 'peer-reviewed').click();
    expect(changed).toHaveBeenLastCalledWith({ years: { from: 2015 }, peerReviewed: true });
    const to = view.find<HTMLInputElement>('textbox', /^to/);
    to.value = '2024';
    to.dispatchEvent(new Event('change'));
    expect(changed).toHaveBeenLastCalledWith({ years: { from: 2015, to: 2024 } });
    view.find('button', 'Close').click();
    view.draw();
    expect(button.getAttribute('aria-expanded')).toBe('false');
  });

  it('are left as they are by what is no year', () => {
    const { view, changed } = draw({ years: { from: 2015 } });
    view.find('button', '+ limiter').click();
    view.draw();
    const to = view.find<HTMLInputElement>('textbox', /^to/);
    to.value = '20240';
    to.dispatchEvent(new Event('change'));
    expect(changed).toHaveBeenLastCalledWith({ years: { from: 2015 } });
  });
});

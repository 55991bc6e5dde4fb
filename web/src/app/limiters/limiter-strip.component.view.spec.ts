import { TestBed } from '@angular/core/testing';
import { beforeEach, expect, it, vi } from 'vitest';
import type { Limiters } from '#core/limiter/index';
import { drawView, getDialect } from '../testing/view';
import { LimiterStripComponent } from './limiter-strip.component';

// The panel is fetched when it is opened: that is tested in the browser.
beforeEach(() => TestBed.configureTestingModule({ imports: [LimiterStripComponent] }).compileComponents());

it('limiters stand as chips, say where they do not apply, and can be removed', () => {
  const view = drawView(LimiterStripComponent, {
    limiters: { years: { from: 2015 }, peerReviewed: true } satisfies Limiters,
    dialects: [getDialect('heronsmere'), getDialect('cardinal')],
  });
  const changed = vi.fn<(limiters: Limiters) => void>();
  view.component.changed.subscribe(changed);
  expect(view.element.querySelectorAll('.chip')).toHaveLength(2);
  // Cardinal does not know peer review.
  expect(view.text()).toContain('not in Cardinal');
  view.find('button', 'Remove the limiter peer-reviewed').click();
  expect(changed).toHaveBeenCalledWith({ years: { from: 2015 } });
});

import { describe, expect, it, vi } from 'vitest';
import { createProblem } from '#core/problem/index';
import { AskedCounts } from '../counting/asked-counts';
import { RecordDrawer } from '../records/record-drawer';
import { createState } from '../testing/counts';
import { createCounted, drawView, getDialect, type View } from '../testing/view';
import { GaugeComponent } from './gauge.component';

const gantry = getDialect('gantry');
const count = (total: number, estimated = false) =>
  createCounted('lamp', 'gantry', createState(total, estimated));
const waiting = createCounted('lamps', 'gantry', { status: 'waiting' });
const failed = createCounted('lamp', 'gantry', {
  status: 'failed',
  problem: createProblem('service-failed', 'error', { database: gantry.name, status: 500 }),
});

function draw(inputs: Readonly<Record<string, unknown>>) {
  const drawer = { show: vi.fn() };
  const asked = { retry: vi.fn() };
  const view = drawView(GaugeComponent, { dialect: gantry, ...inputs }, [
    { provide: RecordDrawer, useValue: drawer },
    { provide: AskedCounts, useValue: asked },
  ]);
  return { view, drawer, asked };
}

const levelOf = ({ element }: View<GaugeComponent>): number =>
  Number(element.querySelector('rect.fill')?.getAttribute('y'));

describe('a gauge', () => {
  it('shows its count, stands the higher the more there are, and opens the records', () => {
    const { view, drawer } = draw({ counted: count(1_204) });
    const button = view.find('button', /^Gantry Engineering Abstracts: 1,204 records/);
    expect(button.textContent?.trim()).toBe('1,204');
    button.click();
    expect(drawer.show).toHaveBeenCalledOnce();
    const level = levelOf(view);
    view.setInput('counted', count(12));
    expect(levelOf(view)).toBeGreaterThan(level);
    view.setInput('counted', count(0));
    expect(view.text()).toContain('0');
    expect(levelOf(view)).toBe(58);
  });

  it('keeps the old number while a new one is on its way, marked as old', () => {
    const { view } = draw({ counted: count(1_204) });
    view.setInput('counted', waiting);
    expect(view.element.classList).toContain('waiting');
    expect(view.element.querySelector('button.number')?.textContent).toContain('1,204');
    expect(view.element.querySelector('rect.old')).not.toBeNull();
    view.setInput('counted', count(7));
    expect(view.element.classList).not.toContain('waiting');
    expect(view.element.querySelector('button.number')?.textContent?.trim()).toBe('7');
  });

  it('says why it failed, and asks again', () => {
    const { view, asked } = draw({ counted: failed });
    expect(view.element.querySelector('path.crack')).not.toBeNull();
    view.find('button', /Try again$/).click();
    expect(asked.retry).toHaveBeenCalledWith('gantry');
  });

  it('says whether the count is in its band, and lets it be set', () => {
    const { view } = draw({ counted: count(60), band: { from: 40, to: 90 } });
    const before = view.element.querySelector('rect.band');
    expect(Number(before?.getAttribute('height'))).toBeGreaterThan(2);
    const asked = vi.fn();
    view.component.bandAsked.subscribe(asked);
    view.find('button', /^Target band of Gantry Engineering Abstracts: /).click();
    expect(asked).toHaveBeenCalledOnce();
    const inside = view.text();
    view.setInput('counted', count(900));
    expect(view.text()).not.toBe(inside);
    expect(view.element.querySelector('.band-words.outside')).not.toBeNull();
  });
});

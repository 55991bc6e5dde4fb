import { signal } from '@angular/core';
import { describe, expect, it, vi } from 'vitest';
import type { Finding } from '#core/check/index';
import { createProblem } from '#core/problem/index';
import { Counts } from '../counting/counts';
import { RecordDrawer } from '../records/record-drawer';
import { OpenProject } from '../state/open-project';
import { drawView, getDialect } from '../testing/view';
import { FindingsPanelComponent } from './findings-panel.component';
import { QueryFindings } from './query-findings';
import { QueryNumbers } from './query-numbers';

const find = (
  key: string,
  severity: 'error' | 'warning' | 'note',
  fixes: Finding['fixes'] = [],
): Finding => ({
  key,
  element: 'syntax',
  problem: createProblem(severity === 'error' ? 'unclosed-bracket' : 'near-distance', severity, {
    operator: key,
    most: 90,
  }),
  fixes,
  remarks: [],
});
const FIX = { label: 'Close it', changes: [{ kind: 'set-draft', draft: '(a)' }] } as const;

function draw(findings: readonly Finding[]) {
  const list = signal(findings);
  const found = {
    findings: list,
    isRunning: signal(false),
    costOf: (finding: Finding) =>
      finding.key === 'dear' ? { change: '+120', words: '120 records more' } : undefined,
    preview: vi.fn(() => undefined),
    mend: vi.fn(),
  };
  const view = drawView(FindingsPanelComponent, {}, [
    { provide: QueryFindings, useValue: found },
    { provide: QueryNumbers, useValue: { database: () => getDialect('gantry') } },
    { provide: OpenProject, useValue: {} },
    { provide: Counts, useValue: {} },
    { provide: RecordDrawer, useValue: {} },
  ]);
  return { view, list };
}

describe('what is worth a look', () => {
  it('lists mistakes first, with what they cost', () => {
    const { view } = draw([find('b', 'note'), find('dear', 'warning'), find('a', 'error')]);
    const signs = [...view.element.querySelectorAll('.sign')].map(({ className }) => className);
    for (const [at, severity] of ['error', 'warning', 'note'].entries())
      expect(signs[at]).toContain(severity);
    expect(signs).toHaveLength(3);
    expect(view.text()).toContain('120 records more in Gantry Engineering Abstracts');
    expect(view.find('status', /^3 findings, 1 error$/)).toBeTruthy();
  });

  it('shows four at first, and all when asked', () => {
    const { view } = draw(Array.from({ length: 6 }, (_, at) => find(`f${at}`, 'note')));
    expect(view.element.querySelectorAll('li')).toHaveLength(4);
    view.find('button', 'Show all 6').click();
    view.draw();
    expect(view.element.querySelectorAll('li')).toHaveLength(6);
    view.find('button', 'Show fewer').click();
    view.draw();
    expect(view.element.querySelectorAll('li')).toHaveLength(4);
  });

  it('goes to the place of a finding, and forgets a fix whose finding is gone', () => {
    const first = find('a', 'error', [FIX as unknown as Finding['fixes'][number]]);
    const { view, list } = draw([first]);
    const asked = vi.fn();
    view.component.placeAsked.subscribe(asked);
    view.element.querySelector<HTMLButtonElement>('button.says')?.click();
    expect(asked).toHaveBeenCalledWith(first);
    const fix = view.find('button', 'Close it');
    fix.click();
    view.draw();
    expect(fix.getAttribute('aria-expanded')).toBe('true');
    list.set([]);
    view.draw();
    expect(view.text()).toContain('nothing found');
  });
});

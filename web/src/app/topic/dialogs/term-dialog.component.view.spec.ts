import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { describe, expect, it, vi } from 'vitest';
import type { Change, Term } from '#core/project/index';
import { OpenProject } from '../../state/open-project';
import { drawView, getDialect } from '../../testing/view';
import { TermDialogComponent } from './term-dialog.component';

function draw(more: Partial<Term> = {}) {
  const term: Term = { id: 't', text: 'lamp*', off: false, ...more };
  const change = vi.fn<(change: Change) => void>();
  const open = {
    concepts: () => [{ id: 'light', name: 'light', block: 'light', off: false, terms: [term] }],
    dialects: () => [getDialect('heronsmere'), getDialect('gantry')],
    change,
  };
  const view = drawView(TermDialogComponent, {}, [
    { provide: OpenProject, useValue: open },
    { provide: MAT_DIALOG_DATA, useValue: 't' },
    { provide: MatDialogRef, useValue: { close: vi.fn(), _containerInstance: {} } },
  ]);
  return { view, change };
}

describe('the dialog of a term', () => {
  it('names the term and where it came from', () => {
    const { view } = draw({ source: 'thesaurus' });
    expect(view.text()).toContain('lamp*');
    expect(view.text()).toContain('taken from a thesaurus');
  });

  it('leaves the term out of a database, and of all but one at most', () => {
    const all = draw();
    all.view.find('checkbox', 'Gantry Engineering Abstracts').click();
    expect(all.change).toHaveBeenCalledWith({
      kind: 'describe-term',
      id: 't',
      term: { text: 'lamp*', databases: ['heronsmere'] },
    });
  });

  it('keeps the last database ticked', () => {
    const { view, change } = draw({ databases: ['gantry'] });
    const last = view.find<HTMLInputElement>('checkbox', 'Gantry Engineering Abstracts');
    expect(last.disabled).toBe(true);
    view.find('checkbox', 'Heronsmere Life Index').click();
    expect(change).toHaveBeenCalledWith({ kind: 'describe-term', id: 't', term: { text: 'lamp*' } });
  });

  it('keeps a note without the blanks round it', () => {
    const { view, change } = draw();
    const note = view.find<HTMLTextAreaElement & HTMLInputElement>('textbox', 'Note on the term');
    note.value = '  from the brief ';
    note.dispatchEvent(new Event('change'));
    expect(change).toHaveBeenCalledWith({
      kind: 'describe-term',
      id: 't',
      term: { text: 'lamp*', note: 'from the brief' },
    });
  });
});

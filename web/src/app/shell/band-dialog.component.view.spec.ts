import { MAT_DIALOG_DATA, MatDialogRef } from '@angular/material/dialog';
import { describe, expect, it, vi } from 'vitest';
import { drawView } from '../testing/view';
import { BandDialogComponent, type BandDialogData } from './band-dialog.component';

function draw(question: Partial<BandDialogData> = {}) {
  const close = vi.fn();
  const view = drawView(BandDialogComponent, {}, [
    { provide: MAT_DIALOG_DATA, useValue: { name: 'Gantry', band: {}, databases: 3, ...question } },
    { provide: MatDialogRef, useValue: { close, _containerInstance: {} } },
  ]);
  const type = (name: string, text: string): void => {
    const field = view.find<HTMLInputElement>('textbox', name);
    field.value = text;
    field.dispatchEvent(new Event('input'));
    view.draw();
  };
  return { view, close, type };
}

describe('the dialog of a target band', () => {
  it('takes two ends, either of which may stay open', () => {
    const { view, close, type } = draw();
    type('at most', '90');
    view.find('button', 'Set').click();
    expect(close).toHaveBeenCalledWith({ band: { to: 90 }, isForAll: false });
  });

  it('sets one band for all databases when that is ticked', () => {
    const { view, close, type } = draw({ band: { from: 20 } });
    type('at most', '100');
    view.find('checkbox', 'the same for all 3 databases').click();
    view.draw();
    view.find('button', 'Set').click();
    expect(close).toHaveBeenCalledWith({ band: { from: 20, to: 100 }, isForAll: true });
  });

  it('does not offer that where one database is searched', () => {
    expect(draw({ databases: 1 }).view.element.querySelector('mat-checkbox')).toBeNull();
  });

  it('says when the ends are the wrong way round, and sets nothing', () => {
    const { view, close, type } = draw({ band: { from: 100 } });
    type('at most', '20');
    expect(view.text()).toContain('“At least” is larger than “at most”.');
    expect(view.find<HTMLButtonElement>('button', 'Set').disabled).toBe(true);
    view.find('button', 'Set').click();
    expect(close).not.toHaveBeenCalled();
  });
});

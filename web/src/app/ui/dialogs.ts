import type { ComponentType } from '@angular/cdk/portal';
import { Injectable, type Injector, inject } from '@angular/core';
import { MatDialog, type MatDialogRef } from '@angular/material/dialog';

/** How a dialog is opened. */
export interface DialogSettings<D> {
  readonly data?: D;
  /** In px, where the window has room. */
  readonly width: number;
  /** What has the focus first, as a selector; else the first that can have it. */
  readonly first?: string;
  /** What the dialog may use of the view that opens it. */
  readonly injector?: Injector;
}

/** The one way to open a dialog. */
@Injectable({ providedIn: 'root' })
export class Dialogs {
  private readonly dialog = inject(MatDialog);

  /** Whether any dialog is open. */
  isOpen(): boolean {
    return this.dialog.openDialogs.length > 0;
  }

  open<T, D, R>(component: ComponentType<T>, settings: DialogSettings<D>): MatDialogRef<T, R> {
    const { data, width, first, injector } = settings;
    return this.dialog.open<T, D, R>(component, {
      ...(data !== undefined && { data }),
      ...(injector && { injector }),
      width: `${width}px`,
      maxWidth: '96vw',
      maxHeight: '94vh',
      autoFocus: first ?? 'first-tabbable',
    });
  }
}

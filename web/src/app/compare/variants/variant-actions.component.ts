import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { MatMenu, MatMenuItem, MatMenuTrigger } from '@angular/material/menu';
import type { Variant } from '#core/project/index';
import {
  FreezeDialogComponent,
  type FreezeAnswer,
  type FreezeDialogData,
} from '../../freezing/freeze-dialog.component';
import { OpenProject } from '../../state/open-project';
import { Dialogs } from '../../ui/dialogs';
import { IconComponent } from '../../ui/icon.component';
import { Messages } from '../../ui/messages';
import { SayPipe } from '../../words/say.pipe';
import { say } from '../../words/say';

/** What can be done with one variant: compare, open, name, remove. */
@Component({
  selector: 'app-variant-actions',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, IconComponent, MatMenu, MatMenuItem, MatMenuTrigger, MatButton],
  templateUrl: './variant-actions.component.html',
  styles: `
    button + button {
      margin-left: 6px;
    }
  `,
})
export class VariantActionsComponent {
  protected readonly open = inject(OpenProject);
  private readonly dialogs = inject(Dialogs);
  private readonly messages = inject(Messages);

  readonly variant = input.required<Variant>();
  readonly isCompared = input.required<boolean>();
  readonly opened = output();

  protected rename(): void {
    const { id, name, note } = this.variant();
    this.dialogs
      .open<FreezeDialogComponent, FreezeDialogData, FreezeAnswer>(FreezeDialogComponent, {
        data: { name, note, isThere: true },
        width: 420,
      })
      .afterClosed()
      .subscribe((answer) => {
        if (answer) this.open.change({ kind: 'rename-variant', id, ...answer });
      });
  }

  protected remove(): void {
    const variant = this.variant();
    const { compared, variants } = this.open.project();
    const at = variants.indexOf(variant);
    const children = variants.filter((other) => other.parent === variant.id).map((other) => other.id);
    this.open.change({ kind: 'remove-variant', id: variant.id });
    this.messages.show(say('compare.removed', { name: variant.name }), () => {
      this.open.change({ kind: 'restore-variant', variant, at, children });
      if (compared === variant.id) this.open.change({ kind: 'compare-with', id: variant.id });
    });
  }
}

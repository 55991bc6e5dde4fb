import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatButton } from '@angular/material/button';

/** A button that lets one choose files. */
@Component({
  selector: 'app-file-button',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButton],
  template: `
    <button mat-stroked-button type="button" [disabled]="disabled()" (click)="chooser.click()">
      <ng-content />
    </button>
    <!-- Only the browser can open a file; its own control is never seen. -->
    <input
      #chooser
      type="file"
      class="unseen"
      tabindex="-1"
      [multiple]="multiple()"
      [attr.aria-label]="label()"
      [accept]="accept()"
      (change)="take(chooser)"
    />
  `,
})
export class FileButtonComponent {
  /** What is chosen, for screen readers. */
  readonly label = input.required<string>();
  /** The kinds of file, as the browser takes them: `.ris,.bib`. */
  readonly accept = input('');
  readonly multiple = input(false);
  readonly disabled = input(false);
  readonly chose = output<readonly File[]>();

  protected take(chooser: HTMLInputElement): void {
    const files = [...(chooser.files ?? [])];
    // The same file can be chosen again.
    chooser.value = '';
    if (files.length > 0) this.chose.emit(files);
  }
}

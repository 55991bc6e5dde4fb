import { Directive, input, output, signal } from '@angular/core';

/** An area that files can be dropped on; while they are held over it, it shows so. */
@Directive({
  selector: '[appDropFiles]',
  host: {
    '[class.dropping]': 'isOver()',
    '(dragover)': 'hold($event)',
    '(dragleave)': 'isOver.set(false)',
    '(drop)': 'take($event)',
  },
})
export class DropFilesDirective {
  readonly isDropOff = input(false);
  readonly dropped = output<readonly File[]>({ alias: 'appDropFiles' });
  protected readonly isOver = signal(false);

  protected hold(event: DragEvent): void {
    if (!event.dataTransfer?.types.includes('Files')) return;
    // Else the browser would leave the page and open the file.
    event.preventDefault();
    this.isOver.set(!this.isDropOff());
  }

  protected take(event: DragEvent): void {
    const files = [...(event.dataTransfer?.files ?? [])];
    if (files.length === 0) return;
    event.preventDefault();
    this.isOver.set(false);
    if (!this.isDropOff()) this.dropped.emit(files);
  }
}

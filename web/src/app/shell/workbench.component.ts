import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { CountBatches } from '../counting/count-batches';
import { OpenProject } from '../state/open-project';
import { RecordDrawer } from '../records/record-drawer';
import { NoticesComponent } from './notices.component';
import { RecordDrawerComponent } from '../records/record-drawer.component';
import { RestingTallies } from './resting-tallies';
import { TopBandComponent } from './top-band.component';

/** An open project: the band at the top, notices, one view, and the drawer of records. */
@Component({
  selector: 'app-workbench',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterOutlet, TopBandComponent, NoticesComponent, RecordDrawerComponent],
  providers: [RestingTallies],
  host: {
    '(document:keydown)': 'takeKey($event)',
    '(document:input)': 'noteTyping($event)',
    '(document:change)': 'typedIn = undefined',
  },
  template: `
    <app-top-band />
    <app-notices />
    <main><router-outlet /></main>
    @if (drawer.content(); as content) {
      <app-record-drawer [content]="content" (closed)="drawer.close()" />
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      height: 100vh;
      position: relative;
    }
    main {
      flex: 1;
      min-height: 0;
      overflow: auto;
      padding: 14px 18px 40px;
    }
  `,
})
export class WorkbenchComponent {
  private readonly open = inject(OpenProject);
  protected readonly drawer = inject(RecordDrawer);
  /** Counts under way go on in whatever view. */
  protected readonly batches = inject(CountBatches);

  constructor() {
    inject(RestingTallies);
  }

  /** The line that holds letters not yet taken over: there, undo is the browser's own. */
  protected typedIn: EventTarget | null | undefined;

  protected noteTyping(event: Event): void {
    this.typedIn = event.target instanceof HTMLInputElement ? event.target : undefined;
  }

  /** Undo and redo everywhere but in a text that has its own. */
  protected takeKey(event: KeyboardEvent): void {
    if (event.key === 'Escape' && this.drawer.content()) return this.drawer.close();
    if (!(event.ctrlKey || event.metaKey) || event.defaultPrevented) return;
    const target = event.target;
    const typing = target instanceof HTMLElement && (target.isContentEditable || target === this.typedIn);
    const key = event.key.toLowerCase();
    if (typing || (key !== 'z' && key !== 'y')) return;
    event.preventDefault();
    if (key === 'y' || event.shiftKey) this.open.redo();
    else this.open.undo();
  }
}

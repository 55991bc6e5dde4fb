import { ChangeDetectionStrategy, Component } from '@angular/core';
import { RouterOutlet } from '@angular/router';
import { NavigationComponent } from './navigation.component';

/** The frame of the application: the views at the left edge, one of them beside it. */
@Component({
  selector: 'app-root',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterOutlet, NavigationComponent],
  template: `
    <app-navigation />
    <div class="page"><router-outlet /></div>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: 78px minmax(0, 1fr);
      height: 100vh;
    }
    .page {
      min-width: 0;
      height: 100vh;
      overflow: hidden;
    }
  `,
})
export class RootComponent {}

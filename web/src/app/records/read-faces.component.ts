import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink, RouterLinkActive, type IsActiveMatchOptions } from '@angular/router';
import { OpenProject } from '../state/open-project';
import { say } from '../words/say';
import { SayPipe } from '../words/say.pipe';

/** The faces of Read: what a search found, what it has to find, where citations lead, and what is kept. */
const FACES = [
  {
    path: ['read'],
    get name() {
      return say('records.results');
    },
  },
  {
    path: ['read', 'must-finds'],
    get name() {
      return say('shared.mustFinds');
    },
  },
  {
    path: ['read', 'trail'],
    get name() {
      return say('shared.trail');
    },
  },
  {
    path: ['read', 'shelf'],
    get name() {
      return say('shared.shelf');
    },
  },
];

/** Leads from one face of Read to another. */
@Component({
  selector: 'app-read-faces',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [RouterLink, RouterLinkActive, SayPipe],
  template: `
    <nav [attr.aria-label]="'records.facesOfRead' | say">
      @for (face of faces; track face.name) {
        <a
          [routerLink]="['/p', open.project().id].concat(face.path)"
          routerLinkActive
          [routerLinkActiveOptions]="exactly"
          ariaCurrentWhenActive="page"
          >{{ face.name }}</a
        >
      }
    </nav>
  `,
  styles: `
    nav {
      display: flex;
      gap: 2px 20px;
    }
    a {
      padding: 4px 0 5px;
      border-bottom: 3px solid transparent;
      color: var(--mute);
      font-weight: 600;
      text-decoration: none;
    }
    a[aria-current] {
      border-bottom-color: var(--glaze);
      color: var(--glaze);
    }
  `,
})
export class ReadFacesComponent {
  protected readonly open = inject(OpenProject);
  protected readonly faces = FACES;
  protected readonly exactly: IsActiveMatchOptions = {
    paths: 'exact',
    queryParams: 'ignored',
    fragment: 'ignored',
    matrixParams: 'ignored',
  };
}

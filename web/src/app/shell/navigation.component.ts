import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink, RouterLinkActive } from '@angular/router';
import { Store } from '@ngrx/store';
import { projectFeature } from '../state/project.feature';
import { IconComponent, type IconName } from '../ui/icon.component';
import { Dialogs } from '../ui/dialogs';
import { THEME_NAMES, ThemeChoice } from '../ui/theme-choice';
import { SayPipe } from '../words/say.pipe';
import { say } from '../words/say';

/** The views of a project in the order of the work; `path` is their part of the address. */
const VIEWS: readonly { readonly path: string; readonly name: string; readonly icon: IconName }[] = [
  {
    path: 'topic',
    get name() {
      return say('shared.topic');
    },
    icon: 'topic',
  },
  {
    path: 'query',
    get name() {
      return say('shared.query');
    },
    icon: 'query',
  },
  {
    path: 'translate',
    get name() {
      return say('shell.translate');
    },
    icon: 'translate',
  },
  {
    path: 'compare',
    get name() {
      return say('shell.compare');
    },
    icon: 'compare',
  },
  {
    path: 'read',
    get name() {
      return say('shell.read');
    },
    icon: 'read',
  },
  {
    path: 'logbook',
    get name() {
      return say('shell.logbook');
    },
    icon: 'logbook',
  },
];

@Component({
  selector: 'app-navigation',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [SayPipe, RouterLink, RouterLinkActive, IconComponent],
  host: { '(document:keydown)': 'takeKey($event)' },
  template: `
    <nav [aria-label]="'shell.views' | say">
      <a class="home" routerLink="/" [aria-label]="'shell.ewerTheProjectOpenLast' | say"
        ><img src="/ewer.svg" alt="" width="32" height="40"
      /></a>
      @for (view of views(); track view.name) {
        <a class="view" [routerLink]="view.link" routerLinkActive="current" ariaCurrentWhenActive="page"
          ><app-icon [name]="view.icon" />{{ view.name }}</a
        >
      }
    </nav>
    <nav class="low" [aria-label]="'shell.besideTheWork' | say">
      @if (databases(); as link) {
        <a class="view" [routerLink]="link" routerLinkActive="current" ariaCurrentWhenActive="page"
          ><app-icon name="databases" />{{ 'shared.databases' | say }}</a
        >
      }
      <a class="view" routerLink="/projects" routerLinkActive="current" ariaCurrentWhenActive="page"
        ><app-icon name="projects" />{{ 'shared.projects' | say }}</a
      >
      <button type="button" class="plain view" (click)="showKeys()" [aria-label]="'shell.keysAndWords' | say">
        <app-icon name="keys" />{{ 'shell.keys' | say }}
      </button>
      <button
        type="button"
        class="plain view"
        (click)="theme.chooseNext()"
        [attr.aria-label]="'shell.coloursChange' | say: { choice: colours() }"
      >
        <app-icon name="theme" />{{ colours() }}
      </button>
    </nav>
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      gap: 6px;
      padding: 10px 6px;
      background: var(--rail);
      border-right: 1px solid var(--rule);
    }
    .home {
      align-self: center;
      margin-bottom: 10px;
    }
    nav {
      display: flex;
      flex-direction: column;
      gap: 4px;
    }
    .low {
      margin-top: auto;
    }
    .view {
      display: flex;
      flex-direction: column;
      align-items: center;
      gap: 2px;
      padding: 9px 2px 7px;
      border: 0;
      border-radius: 10px;
      background: none;
      color: var(--ink);
      font: inherit;
      font-size: 13px;
      text-align: center;
      text-decoration: none;
      overflow-wrap: anywhere;
      cursor: pointer;
    }
    .view:hover {
      background: var(--hair);
    }
    .current,
    .current:hover {
      background: var(--glaze);
      color: var(--on-glaze);
      font-weight: 600;
    }
  `,
})
export class NavigationComponent {
  private readonly project = inject(Store).selectSignal(projectFeature.selectProject);
  protected readonly theme = inject(ThemeChoice);
  protected readonly colours = computed(() => THEME_NAMES[this.theme.choice()]);
  private readonly dialogs = inject(Dialogs);

  /** The list of keys and words, loaded when it is first asked for. */
  protected showKeys(): void {
    void import('./keys-dialog.component').then(({ KeysDialogComponent }) =>
      this.dialogs.open(KeysDialogComponent, { width: 820, first: '.mat-mdc-dialog-actions button' }),
    );
  }

  /** A question mark that is not part of a text asks for the keys. */
  protected takeKey(event: KeyboardEvent): void {
    const { target } = event;
    const isTyping =
      target instanceof HTMLElement && (target.isContentEditable || target.matches('input, textarea'));
    if (event.key !== '?' || isTyping || this.dialogs.isOpen()) return;
    event.preventDefault();
    this.showKeys();
  }

  protected readonly databases = computed(() => {
    const project = this.project();
    return project && ['/p', project.id, 'databases'];
  });
  protected readonly views = computed(() => {
    const project = this.project();
    if (!project) return [];
    return VIEWS.map(({ path, name, icon }) => ({ name, icon, link: ['/p', project.id, path] }));
  });
}

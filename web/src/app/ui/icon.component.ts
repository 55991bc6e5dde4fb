import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import {
  mdiBookOpenPageVariantOutline,
  mdiArrowDown,
  mdiArrowLeft,
  mdiArrowRight,
  mdiArrowUp,
  mdiBookmarkOutline,
  mdiCheck,
  mdiChevronDown,
  mdiChevronRight,
  mdiClose,
  mdiContentCopy,
  mdiDatabaseOutline,
  mdiDotsVertical,
  mdiDragVertical,
  mdiFolderOutline,
  mdiFormatListGroup,
  mdiKeyboardOutline,
  mdiNotebookOutline,
  mdiPlus,
  mdiRedo,
  mdiRefresh,
  mdiSitemapOutline,
  mdiSwapHorizontal,
  mdiThemeLightDark,
  mdiToggleSwitchOffOutline,
  mdiToggleSwitchOutline,
  mdiTrashCanOutline,
  mdiUndo,
  mdiChartTimelineVariant,
} from '@mdi/js';

const PATHS = {
  'arrow-down': mdiArrowDown,
  'arrow-left': mdiArrowLeft,
  'arrow-right': mdiArrowRight,
  'arrow-up': mdiArrowUp,
  check: mdiCheck,
  close: mdiClose,
  compare: mdiChartTimelineVariant,
  copy: mdiContentCopy,
  databases: mdiDatabaseOutline,
  drag: mdiDragVertical,
  fold: mdiChevronDown,
  kept: mdiBookmarkOutline,
  keys: mdiKeyboardOutline,
  logbook: mdiNotebookOutline,
  more: mdiDotsVertical,
  plus: mdiPlus,
  projects: mdiFolderOutline,
  query: mdiSitemapOutline,
  read: mdiBookOpenPageVariantOutline,
  redo: mdiRedo,
  retry: mdiRefresh,
  'switch-off': mdiToggleSwitchOffOutline,
  'switch-on': mdiToggleSwitchOutline,
  theme: mdiThemeLightDark,
  topic: mdiFormatListGroup,
  translate: mdiSwapHorizontal,
  trash: mdiTrashCanOutline,
  undo: mdiUndo,
  unfold: mdiChevronRight,
} as const;

/** The name of an icon. */
export type IconName = keyof typeof PATHS;

/** An icon that says nothing by itself: what it stands in has the name. */
@Component({
  selector: 'app-icon',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `<svg viewBox="0 0 24 24" aria-hidden="true"><path [attr.d]="path()" /></svg>`,
  styles: `
    :host {
      display: inline-flex;
      width: 18px;
      height: 18px;
      flex: none;
    }
    svg {
      width: 100%;
      height: 100%;
      fill: currentcolor;
    }
  `,
})
export class IconComponent {
  readonly name = input.required<IconName>();
  protected readonly path = computed(() => PATHS[this.name()]);
}

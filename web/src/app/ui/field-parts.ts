import { MatError, MatFormField, MatHint, MatLabel } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { MatOption, MatSelect } from '@angular/material/select';

/** What a template needs for fields of text. */
export const FIELD_PARTS = [MatError, MatFormField, MatHint, MatInput, MatLabel] as const;

/** What a template needs to choose one from a list. */
export const SELECT_PARTS = [MatFormField, MatLabel, MatOption, MatSelect] as const;

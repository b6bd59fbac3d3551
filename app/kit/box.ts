import type { Provider } from '@angular/core';
import { ReactiveFormsModule } from '@angular/forms';
import { MatAutocomplete, MatOption } from '@angular/material/autocomplete';
import { ErrorStateMatcher } from '@angular/material/core';
import { MatError, MatFormField, MatHint, MatLabel } from '@angular/material/form-field';
import { MatInput } from '@angular/material/input';
import { Offer } from './offer';
import { ShowFault } from './validator';

/** What every box in which something is typed is made of: Material's field, its input, and its list of likely answers. */
export const BOX = [
  MatAutocomplete,
  MatError,
  MatFormField,
  MatHint,
  MatInput,
  MatLabel,
  MatOption,
  Offer,
  ReactiveFormsModule,
] as const;

/** A fault is shown as the kit shows faults. */
export const BOX_PROVIDERS: Provider[] = [{ provide: ErrorStateMatcher, useClass: ShowFault }];

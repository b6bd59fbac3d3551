import { MatButton } from '@angular/material/button';
import { ChangeDetectionStrategy, Component } from '@angular/core';
import { MatDialogClose } from '@angular/material/dialog';
import { Action } from '../kit/action';
import { KEY_LIST } from './key-list';

@Component({
  selector: 'gt-key-help',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [Action, MatButton, MatDialogClose],
  template: `
    <article class="explain">
      <h2 id="keys-title">Keys</h2>
      <table>
        @for (k of keys; track k[0]) {
          <tr>
            <th scope="row">
              <kbd>{{ k[0] }}</kbd>
            </th>
            <td>{{ k[1] }}</td>
          </tr>
        }
      </table>
      <p class="muted">Keys rest while you type. In hands-busy mode Space, Enter and Page Down go on.</p>
      <p class="actions"><button matButton gtAction="offer" mat-dialog-close>Close</button></p>
    </article>
  `,
})
export class KeyHelp {
  protected readonly keys = KEY_LIST;
}

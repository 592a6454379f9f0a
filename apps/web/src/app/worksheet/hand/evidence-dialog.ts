import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MAT_DIALOG_DATA, MatDialogModule } from '@angular/material/dialog';
import { turnsForSlack } from '@gold-peg/craft/post';
import { fromMillimetres, metres, toMillimetres } from '@gold-peg/craft/units';
import type { WorksheetDesk } from '../desk';
import { houseTime } from '../../server/house-zone';

/** Every count behind the calibration: what was planned, what was counted, and what they say together. */
@Component({
  selector: 'peg-evidence-dialog',
  changeDetection: ChangeDetectionStrategy.OnPush,
  imports: [MatButtonModule, MatDialogModule],
  template: `<h2 mat-dialog-title>Turns that were counted</h2>
    <mat-dialog-content>
      <p>
        Posts of this instrument: <b>{{ post() }}</b>. Your hand: <b>{{ hand() }}</b>. What all instruments of a person share is the hand;
        what all persons at an instrument share is the post. Few counts move little.
      </p>
      @if (!settled()) {
        <p role="alert">These counts contradict one another so much that no answer settled: look for one that was mistyped.</p>
      }
      @if (rows().length === 0) {
        <p class="soft">Nothing was counted yet at this instrument or by you. Wind a string, take it in hand again and count its turns.</p>
      } @else {
        <table>
          <thead>
            <tr>
              <th scope="col">when</th>
              <th scope="col">instrument</th>
              <th scope="col">string</th>
              <th scope="col">by</th>
              <th scope="col" class="n">slack meant</th>
              <th scope="col" class="n">would make</th>
              <th scope="col" class="n">counted</th>
            </tr>
          </thead>
          <tbody>
            @for (row of rows(); track row.key) {
              <tr>
                <td>{{ row.when }}</td>
                <td>{{ row.instrument }}</td>
                <td>{{ row.string }}</td>
                <td>{{ row.by }}</td>
                <td class="n">{{ row.slack }}</td>
                <td class="n">{{ row.planned }}</td>
                <td class="n">
                  <b>{{ row.counted }}</b>
                </td>
              </tr>
            }
          </tbody>
        </table>
      }
    </mat-dialog-content>
    <mat-dialog-actions align="end"><button matButton type="button" class="quiet" mat-dialog-close>Close</button></mat-dialog-actions>`,
  styles: `
    table {
      width: 100%;
      border-collapse: collapse;
    }
    th,
    td {
      padding: 4px 10px 4px 0;
      border-bottom: 1px solid var(--line);
      text-align: left;
    }
    th {
      color: var(--ink-soft);
      font-weight: 400;
    }
    .n {
      text-align: right;
      font-variant-numeric: tabular-nums;
    }
  `,
})
export class EvidenceDialog {
  private readonly desk = inject<WorksheetDesk>(MAT_DIALOG_DATA);

  protected readonly settled = computed(() => this.desk.winding.settled());
  protected readonly post = computed(() => {
    const { value, spread, count } = this.desk.winding.postThicker();
    return `${toMillimetres(metres(Math.abs(value))).toFixed(2)} mm ${value < 0 ? 'thinner' : 'thicker'} than noted, ± ${toMillimetres(metres(spread)).toFixed(2)}, from ${count} counts`;
  });
  protected readonly hand = computed(() => {
    const { value, spread, count } = this.desk.leaves();
    return `leaves ${(100 * value).toFixed(0)} % of what you mean, ± ${(100 * spread).toFixed(0)}, from ${count} counts`;
  });
  protected readonly rows = computed(() =>
    this.desk.winding.evidence().map((row) => ({
      key: `${row.jobId}-${row.string}`,
      when: houseTime({ day: 'numeric', month: 'short', year: 'numeric' }).format(new Date(row.at)),
      instrument: row.instrumentName,
      string: row.string,
      by: row.personName,
      slack: `${row.slackMm.toFixed(0)} mm`,
      planned: planned(row),
      counted: row.turns.toFixed(2),
    })),
  );
}

/** Turns that the slack meant would have made at the post as noted. */
function planned(row: {
  slackMm: number;
  stretchMm: number;
  postDiameterMm: number;
  stringDiameterMm: number;
  nutToPostMm: number;
}): string {
  const made = turnsForSlack(
    fromMillimetres(row.slackMm + row.stretchMm),
    {
      postDiameter: fromMillimetres(row.postDiameterMm),
      stringDiameter: fromMillimetres(row.stringDiameterMm),
      nutToPost: fromMillimetres(row.nutToPostMm),
    },
    { path: metres(1), strain: 0, creep: 0 },
  );
  return made.ok ? made.value.turns.toFixed(2) : '–';
}

'use client';

import { useState } from 'react';
import { figureOf } from '@/core/actions/charts';
import { type Chart, CHART_FORMS, type ChartForm, MOST_CHARTED } from '@/core/records/chart';
import { areCells, readCells } from '@/formats/copy/cells';
import { CellField } from '@/parts/CellField';
import { Choice } from '@/parts/Choice';
import { Dialog } from '@/parts/Dialog';

const FORM_NAMES: Readonly<Record<ChartForm, string>> = {
  bars: 'Bars',
  columns: 'Columns',
  line: 'Line',
  parts: 'Parts of a whole',
};

/** A row as it is typed. */
interface Row {
  readonly label: string;
  readonly value: string;
}

interface ChartDialogProps {
  /** The chart that is changed; undefined for a new one. */
  readonly chart: Chart | undefined;
  /** @throws Error with a sentence where it cannot be drawn */
  readonly onTake: (chart: Chart) => void;
  readonly onClose: () => void;
}

const EMPTY: readonly Row[] = [0, 1, 2].map(() => ({ label: '', value: '' }));

/** The figures of a chart, typed or pasted from a spreadsheet, and what it is drawn as. */
export function ChartDialog({ chart, onTake, onClose }: ChartDialogProps) {
  const [form, setForm] = useState<ChartForm>(chart?.form ?? 'bars');
  const [unit, setUnit] = useState(chart?.unit ?? '');
  const [rows, setRows] = useState<readonly Row[]>(
    chart?.rows.map(({ label, value }) => ({ label, value: String(value) })) ?? EMPTY,
  );
  const [wrong, setWrong] = useState<string>();
  const set = (i: number, change: Partial<Row>) => setRows(rows.map((row, k) => (k === i ? { ...row, ...change } : row)));
  /** Two columns that were pasted: labels and figures, from the row with the caret on. */
  const paste = (from: number, words: string): boolean => {
    if (!areCells(words)) return false;
    const pasted = readCells(words).map(([label = '', value = '']) => ({ label, value }));
    if (from + pasted.length > MOST_CHARTED) {
      setWrong(`A chart has ${MOST_CHARTED} rows at most; nothing was pasted.`);
      return true;
    }
    // A head over the figures is no row.
    const isHead = figureOf(pasted[0]?.value ?? '') === undefined && pasted.length > 1;
    setWrong(undefined);
    setRows([...rows.slice(0, from), ...(isHead ? pasted.slice(1) : pasted)]);
    return true;
  };
  const take = () => {
    const filled = rows.filter(({ label, value }) => label.trim() !== '' || value.trim() !== '');
    const bad = filled.findIndex(({ value }) => figureOf(value) === undefined);
    if (filled.length === 0) return setWrong('Type a label and a figure, or paste two columns of a spreadsheet.');
    if (bad >= 0) return setWrong(`“${filled[bad]!.value || filled[bad]!.label}”: a figure is needed in row ${bad + 1}.`);
    try {
      onTake({
        form,
        rows: filled.map(({ label, value }) => ({ label: label.trim(), value: figureOf(value)! })),
        ...(unit.trim() === '' ? {} : { unit: unit.trim() }),
      });
      onClose();
    } catch (error) {
      setWrong((error as Error).message);
    }
  };
  return (
    <Dialog title="Chart" onClose={onClose}>
      <form
        className="flex max-h-[calc(100vh-12rem)] flex-col gap-3 p-5"
        onSubmit={(event) => {
          event.preventDefault();
          take();
        }}
      >
        <h2 className="text-lg font-semibold">{chart ? 'Change the chart' : 'New chart'}</h2>
        <div className="flex items-end gap-4">
          <Choice
            label="Form"
            value={form}
            of={CHART_FORMS.map((value) => ({ value, name: FORM_NAMES[value] }))}
            onChange={setForm}
          />
          <label className="w-20">
            <span className="text-2xs block opacity-70">Unit</span>
            <input className="field" value={unit} maxLength={20} onChange={(event) => setUnit(event.target.value)} />
          </label>
        </div>
        <div className="border-base-300 min-h-0 overflow-auto border">
          <table className="w-full border-collapse">
            <thead>
              <tr>
                {['Label', 'Figure'].map((name) => (
                  <th key={name} className="border-base-300 border px-1.5 py-1 text-left font-medium">
                    {name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((row, i) => (
                <tr key={i}>
                  {(['label', 'value'] as const).map((key) => (
                    <CellField
                      key={key}
                      label={`${key === 'label' ? 'Label' : 'Figure'} ${i + 1}`}
                      value={row[key]}
                      most={200}
                      align={key === 'value' ? 'right' : 'left'}
                      first={i === 0 && key === 'label'}
                      onChange={(words) => set(i, { [key]: words })}
                      onPaste={(words) => paste(i, words)}
                    />
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        {wrong && (
          <p role="alert" className="text-error">
            {wrong}
          </p>
        )}
        <div className="flex items-center gap-2">
          <button type="submit" className="btn btn-primary btn-sm font-semibold">
            {chart ? 'Change the chart' : 'Draw the chart'}
          </button>
          <button
            type="button"
            className="btn btn-sm"
            disabled={rows.length >= MOST_CHARTED}
            onClick={() => setRows([...rows, { label: '', value: '' }])}
          >
            Add a row
          </button>
          <span className="narrow opacity-75">An empty row is left out.</span>
        </div>
      </form>
    </Dialog>
  );
}

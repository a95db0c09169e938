'use client';

import { type Appearance, evenPolygon } from '@/core/actions/appearance';
import type { Document } from '@/core/records/document';
import type { FrameRecord } from '@/core/records/index';
import { LengthField } from '@/parts/LengthField';
import { NumberField } from '@/parts/NumberField';
import { Select } from '@/parts/Select';
import { Tick } from '@/parts/Tick';
import { Chapter } from './Chapter';
import { InkField } from './InkField';

interface LookChapterProps {
  readonly document: Document;
  readonly frame: FrameRecord;
  readonly onLook: (changes: Partial<Appearance>) => void;
}

const CORNERS = 6;
/** As many degrees the keys turn by that stand beside the field. */
const QUARTER = 90;

/** Form, turn, colour, edge and shadow of a frame. */
export function LookChapter({ document, frame, onLook }: LookChapterProps) {
  const { shape = { type: 'rectangle' }, rotation = 0, opacity = 1, border, shadow } = frame;
  const ink = document.records.has('ink')
    ? 'ink'
    : ([...document.records.values()].find(({ kind }) => kind === 'swatch')?.id ?? 'ink');
  const isRule = frame.content.type === 'rule';
  return (
    <Chapter name="Form and look" now={lookWords(frame)} folded>
      {!isRule && (
        <Select
          label="Form"
          value={shape.type}
          of={[
            { value: 'rectangle', name: 'Rectangle' },
            { value: 'rounded', name: 'Rounded corners' },
            { value: 'ellipse', name: 'Ellipse' },
            { value: 'polygon', name: 'Polygon' },
          ]}
          onChange={(type) => {
            if (type === 'rectangle') onLook({ shape: undefined });
            else if (type === 'rounded') onLook({ shape: { type, radius: 8.5 } });
            else if (type === 'ellipse') onLook({ shape: { type } });
            else onLook({ shape: evenPolygon(CORNERS) });
          }}
        />
      )}
      {shape.type === 'rounded' && (
        <LengthField label="Radius" value={shape.radius} onChange={(radius) => onLook({ shape: { type: 'rounded', radius } })} />
      )}
      {shape.type === 'polygon' && (
        <>
          <NumberField
            label="Corners"
            value={shape.points.length / 2}
            least={3}
            most={60}
            whole
            onChange={(corners) => onLook({ shape: evenPolygon(corners) })}
          />
          <p className="opacity-75">Drag its corners on the page.</p>
        </>
      )}
      <div className="flex items-end gap-2">
        <NumberField
          label="Turned"
          value={rotation}
          unit="°"
          least={-360}
          most={360}
          onChange={(degrees) => onLook({ rotation: degrees })}
        />
        <button type="button" className="btn btn-xs" onClick={() => onLook({ rotation: rotation - QUARTER })}>
          ↺ 90°
        </button>
        <button type="button" className="btn btn-xs" onClick={() => onLook({ rotation: rotation + QUARTER })}>
          ↻ 90°
        </button>
      </div>
      <NumberField
        label="Opacity"
        value={Math.round(opacity * 100)}
        unit="%"
        least={0}
        most={100}
        onChange={(share) => onLook({ opacity: share === 100 ? undefined : share / 100 })}
      />
      <InkField
        label={isRule ? 'Colour' : 'Area'}
        document={document}
        value={frame.fill}
        {...(isRule ? {} : { none: 'No colour' })}
        onChange={(fill) => onLook({ fill })}
      />
      {!isRule && (
        <>
          <InkField
            label="Border"
            document={document}
            value={border}
            none="No border"
            onChange={(area) => onLook({ border: area && { weight: border?.weight ?? 0.5, ...area } })}
          />
          {border && (
            <LengthField
              label="Border’s weight"
              unit="pt"
              value={border.weight}
              onChange={(weight) => onLook({ border: { ...border, weight } })}
            />
          )}
        </>
      )}
      <Tick
        label="Shadow"
        value={shadow !== undefined}
        onChange={(on) => onLook({ shadow: on ? { dx: 2, dy: 2, blur: 4, swatch: ink, opacity: 0.35 } : undefined })}
      />
      {shadow && (
        <>
          <div className="flex gap-2">
            <LengthField label="Shadow right" value={shadow.dx} onChange={(dx) => onLook({ shadow: { ...shadow, dx } })} />
            <LengthField label="Shadow down" value={shadow.dy} onChange={(dy) => onLook({ shadow: { ...shadow, dy } })} />
            <LengthField label="Soft edge" value={shadow.blur} onChange={(blur) => onLook({ shadow: { ...shadow, blur } })} />
          </div>
          <InkField
            label="Shadow’s colour"
            document={document}
            value={{ swatch: shadow.swatch, tint: shadow.opacity }}
            onChange={(area) => area && onLook({ shadow: { ...shadow, swatch: area.swatch, opacity: area.tint } })}
          />
        </>
      )}
    </Chapter>
  );
}

const FORMS = { rectangle: '', rounded: 'rounded', ellipse: 'ellipse', polygon: 'polygon' } as const;

function lookWords({ shape, rotation, opacity, shadow }: FrameRecord): string {
  return [
    shape ? FORMS[shape.type] : '',
    rotation ? `${Math.round(rotation * 10) / 10}°` : '',
    opacity === undefined ? '' : `${Math.round(opacity * 100)} %`,
    shadow ? 'shadow' : '',
  ]
    .filter((words) => words !== '')
    .join(', ');
}

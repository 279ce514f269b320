import type { ReactNode } from "react";
import { ranked } from "#core/drawing/drawing.ts";
import { partsOf } from "#core/drawing/parts.ts";
import { NumberField } from "../../ui/number-field.tsx";
import { Toggle } from "../../ui/toggle.tsx";
import { useDesk } from "../store/use-desk.ts";
import { CONTACT, EVERY, type RequestFields, SEEN, SHARE_WORDS, SHARES, type Share } from "./request.ts";

const FIELD = "h-target w-full rounded-md border border-edge bg-field px-2";

/** A control that names itself, with its word above it. */
const Labelled = ({ word, children }: { word: string; children: ReactNode }) => (
  <div className="grid gap-1">
    <span aria-hidden="true" className="text-xs text-quiet">
      {word}
    </span>
    {children}
  </div>
);

/** Of what files are made: sheets, parts, colourways, and how fine. */
export function OfWhatFields({ request, onChange }: RequestFields) {
  const drawing = useDesk((s) => s.drawing);
  const parts = [...partsOf(drawing)].reverse();
  const ways = ranked(drawing.colourways);
  return (
    <>
      <Labelled word="Sheets">
        <select
          aria-label="Sheets"
          value={request.share}
          onChange={({ target }) => onChange({ share: target.value as Share })}
          className={FIELD}
        >
          {SHARES.map((one) => (
            <option key={one} value={one}>
              {SHARE_WORDS[one]}
            </option>
          ))}
        </select>
      </Labelled>
      {parts.length > 1 ? (
        <Labelled word="Parts">
          <select
            aria-label="Parts"
            value={request.part}
            onChange={({ target }) => onChange({ part: target.value })}
            className={FIELD}
          >
            <option value="">all parts</option>
            {parts.map(({ id, name }) => (
              <option key={id} value={id}>
                {name} alone
              </option>
            ))}
          </select>
        </Labelled>
      ) : null}
      {ways.length > 1 ? (
        <>
          <Labelled word="Colourway">
            <select
              aria-label="Colourway"
              value={request.way}
              onChange={({ target }) => onChange({ way: target.value })}
              className={FIELD}
            >
              <option value={SEEN}>as it is seen</option>
              {ways.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
              <option value={EVERY}>each by itself</option>
              <option value={CONTACT}>all on one sheet, with their names</option>
            </select>
          </Labelled>
          <Labelled word="On dark pages an SVG shows">
            <select
              aria-label="On dark pages an SVG shows"
              value={request.dark}
              onChange={({ target }) => onChange({ dark: target.value })}
              className={FIELD}
            >
              <option value="">the same</option>
              {ways.map(({ id, name }) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </Labelled>
        </>
      ) : null}
      <NumberField
        label="Pixels per inch"
        value={request.ppi}
        min={1}
        max={2400}
        digits={0}
        className="w-18"
        onChange={(ppi) => onChange({ ppi })}
      />
      <div className="grid gap-2 border-t border-line pt-3">
        <Toggle
          label="SVG: touching pockets of one colour as one shape"
          checked={request.united}
          onChange={(united) => onChange({ united })}
        />
        <Toggle
          label="PDF: tin colours as named printing inks"
          checked={request.inks}
          onChange={(inks) => onChange({ inks })}
        />
      </div>
    </>
  );
}

import { Input, Select } from 'antd';
import { CAUTIONS, CLAIMS } from '@kleur/core/material';
import { TextField } from '../../shared/ui/TextField.tsx';
import { type FieldsProps } from './materialWrite.ts';

/** What may be claimed of an item, what to watch for, and where its figures come from. */
export function AboutFields({ write, set }: FieldsProps) {
  return (
    <>
      <div className="field">
        <span className="field-label">Claims</span>
        <Select
          aria-label="Claims of this item"
          mode="multiple"
          value={[...write.claims]}
          onChange={(claims) => {
            set({ claims });
          }}
          options={CLAIMS.map((c) => ({ value: c, label: c }))}
        />
      </div>
      <div className="field">
        <span className="field-label">Cautions</span>
        <Select
          aria-label="Cautions"
          mode="multiple"
          value={[...write.cautions]}
          onChange={(cautions) => {
            set({ cautions });
          }}
          options={CAUTIONS.map((c) => ({ value: c, label: c.replaceAll('-', ' ') }))}
        />
      </div>
      <div className="field">
        <label className="field-label" htmlFor="material-behaviour">
          How it behaves
        </label>
        <Input.TextArea
          id="material-behaviour"
          value={write.behaviour}
          maxLength={400}
          autoSize={{ minRows: 2, maxRows: 5 }}
          onChange={(e) => {
            set({ behaviour: e.target.value });
          }}
        />
      </div>
      <div className="row">
        <TextField
          label="Colour index"
          grow
          value={write.colourIndex}
          maxLength={80}
          onChange={(colourIndex) => {
            set({ colourIndex });
          }}
        />
        <TextField
          label="Where the figures come from"
          grow
          value={write.source}
          maxLength={200}
          onChange={(source) => {
            set({ source });
          }}
        />
      </div>
    </>
  );
}

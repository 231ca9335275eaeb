import { Form, Input, Select } from 'antd';
import { CAUTIONS, CLAIMS } from '@kleur/core/material';

/** What may be claimed of an item, what to watch for, and where its figures come from. */
export function AboutFields() {
  return (
    <>
      <Form.Item name="claims" label="Claims">
        <Select
          aria-label="Claims of this item"
          mode="multiple"
          options={CLAIMS.map((c) => ({ value: c, label: c }))}
        />
      </Form.Item>
      <Form.Item name="cautions" label="Cautions">
        <Select
          aria-label="Cautions"
          mode="multiple"
          options={CAUTIONS.map((c) => ({ value: c, label: c.replaceAll('-', ' ') }))}
        />
      </Form.Item>
      <Form.Item name="behaviour" label="How it behaves">
        <Input.TextArea maxLength={400} autoSize={{ minRows: 2, maxRows: 5 }} />
      </Form.Item>
      <div className="row">
        <Form.Item name="colourIndex" label="Colour index" className="grow">
          <Input maxLength={80} />
        </Form.Item>
        <Form.Item name="source" label="Where the figures come from" className="grow">
          <Input maxLength={200} />
        </Form.Item>
      </div>
    </>
  );
}

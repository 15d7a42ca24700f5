import { Form, Input } from 'antd';

/** Values that travel with a form without being shown. */
export const Hidden = ({ names }: { names: readonly string[] }) =>
  names.map((name) => (
    <Form.Item key={name} name={name} hidden>
      <Input />
    </Form.Item>
  ));

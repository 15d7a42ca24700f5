import { Input } from 'antd';

interface Props {
  /** What is looked for, said to a screen reader: "Find a lot". */
  readonly label: string;
  readonly placeholder?: string;
  readonly value: string;
  readonly onChange: (text: string) => void;
  /** px; as wide as its place without. */
  readonly width?: number;
}

/** Where one types to find something in a list. */
export const SearchField = ({ label, placeholder = label, value, onChange, width }: Props) => (
  <Input
    type="search"
    allowClear
    aria-label={label}
    placeholder={placeholder}
    value={value}
    onChange={(event) => onChange(event.target.value)}
    style={width === undefined ? {} : { width, maxWidth: '100%' }}
  />
);

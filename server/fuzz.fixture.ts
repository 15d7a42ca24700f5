/** Values that follow a JSON schema, and hostile ones, for the fuzz of the door. */
export interface JsonSchema {
  readonly type?: string | readonly string[];
  readonly enum?: readonly unknown[];
  readonly const?: unknown;
  readonly anyOf?: readonly JsonSchema[];
  readonly oneOf?: readonly JsonSchema[];
  readonly allOf?: readonly JsonSchema[];
  readonly $ref?: string;
  readonly $defs?: Readonly<Record<string, JsonSchema>>;
  readonly properties?: Readonly<Record<string, JsonSchema>>;
  readonly required?: readonly string[];
  readonly additionalProperties?: JsonSchema | boolean;
  readonly propertyNames?: JsonSchema;
  readonly items?: JsonSchema | boolean;
  readonly prefixItems?: readonly JsonSchema[];
  readonly minItems?: number;
  readonly maxItems?: number;
  readonly minimum?: number;
  readonly maximum?: number;
  readonly exclusiveMinimum?: number;
  readonly pattern?: string;
  readonly minLength?: number;
}

type Chance = () => number;
const pick = <T>(from: readonly T[], chance: Chance): T => from[Math.floor(chance() * from.length)] as T;

const DEEP = (): unknown => JSON.parse(`${'['.repeat(60)}${']'.repeat(60)}`);
const HOSTILE_TEXTS = [
  '',
  ' ',
  '\u0000',
  'a\u0000b',
  '\ud800',
  '\udfff x',
  '__proto__',
  'constructor',
  'prototype',
  'toString',
  'hasOwnProperty',
  '\u202e drawkcab',
  '\u200b',
  '\u200b\u200d\ufeff',
  '\u00ad',
  'x'.repeat(200_000),
  "'; drop table lot; --",
  '../../etc',
  '%00',
  '<script>alert(1)</script>',
  '0x1F',
  '1,5',
  '12/11/26',
  'NaN',
  'Infinity',
  '1e-320',
  '🧶',
];
/** What people and programs send that should never have come in. */
const HOSTILE: readonly (() => unknown)[] = [
  ...HOSTILE_TEXTS.map((text) => () => text),
  ...[0, -1, -0, 0.1 + 0.2, 1e-320, 5e-324, 1e308, -1e308, 2 ** 53 + 2, 4_102_444_800_001].map((value) => () => value),
  () => null,
  () => true,
  () => [],
  () => ({}),
  () => Array.from({ length: 5000 }, () => 1),
  () => ({ __proto__x: 1 }),
  () => JSON.parse('{"__proto__": {"polluted": true}}'),
  () => JSON.parse('{"constructor": {"prototype": {"polluted": true}}}'),
  () => ({ 'a\u0000': 1 }),
  DEEP,
];

/** A hostile text as it may stand in a query. */
export const hostileQuery = (chance: Chance): string => encodeURIComponent(pick(HOSTILE_TEXTS, chance).replace(/\p{Surrogate}/gu, ''));

/** A value that the schema would usually take. `ids` are offered wherever an id may stand. */
export function sample(schema: JsonSchema, chance: Chance, ids: readonly string[], root: JsonSchema = schema, depth = 0): unknown {
  if (schema.$ref) {
    const name = schema.$ref.split('/').at(-1) ?? '';
    return sample(root.$defs?.[name] ?? {}, chance, ids, root, depth + 1);
  }
  if ('const' in schema) return schema.const;
  if (schema.enum) return pick(schema.enum, chance);
  const choices = schema.anyOf ?? schema.oneOf;
  if (choices) return sample(depth > 8 ? (choices.at(-1) as JsonSchema) : pick(choices, chance), chance, ids, root, depth + 1);
  if (schema.allOf) return Object.assign({}, ...schema.allOf.map((one) => sample(one, chance, ids, root, depth + 1)));
  switch (Array.isArray(schema.type) ? pick(schema.type as readonly string[], chance) : schema.type) {
    case 'object':
      return sampleObject(schema, chance, ids, root, depth);
    case 'array': {
      if (schema.prefixItems) return schema.prefixItems.map((one) => sample(one, chance, ids, root, depth + 1));
      const items = typeof schema.items === 'object' ? schema.items : {};
      const least = schema.minItems ?? 0;
      const count = depth > 8 ? least : Math.min(schema.maxItems ?? 99, least + Math.floor(chance() * 3));
      return Array.from({ length: count }, () => sample(items, chance, ids, root, depth + 1));
    }
    case 'string':
      return sampleText(schema, chance, ids);
    case 'integer':
      return Math.ceil(sampleNumber(schema, chance));
    case 'number':
      return sampleNumber(schema, chance);
    case 'boolean':
      return chance() < 0.5;
    default:
      return null;
  }
}

function sampleObject(schema: JsonSchema, chance: Chance, ids: readonly string[], root: JsonSchema, depth: number): Record<string, unknown> {
  const value: Record<string, unknown> = {};
  for (const [name, one] of Object.entries(schema.properties ?? {}))
    if (schema.required?.includes(name) || chance() < 0.5) value[name] = sample(one, chance, ids, root, depth + 1);
  if (typeof schema.additionalProperties === 'object' && chance() < 0.7)
    for (let i = 0; i < 2; i++) value[pick([...ids, 'alum', 'toString'], chance)] = sample(schema.additionalProperties, chance, ids, root, depth + 1);
  return value;
}

function sampleText({ pattern, minLength = 0 }: JsonSchema, chance: Chance, ids: readonly string[]): string {
  if (pattern?.includes('#')) return '#d9b52b';
  if (pattern?.includes('\\d{2}:') || pattern?.includes(':')) return '08:30';
  if (pattern) return chance() < 0.6 ? pick(ids, chance) : `new-${Math.floor(chance() * 1e9)}`;
  return pick([...ids, 'alum', 'weld', 'Hemp', '82', 'Europe/Berlin', 'x'.repeat(Math.max(1, minLength))], chance);
}

function sampleNumber({ minimum, exclusiveMinimum, maximum }: JsonSchema, chance: Chance): number {
  const least = Math.max(minimum ?? exclusiveMinimum ?? 0, -1e6);
  const most = Math.min(maximum ?? least + 1000, least + 1e12);
  return chance() < 0.5 ? Math.min(most, least + 1 + Math.floor(chance() * 20)) : least + chance() * (most - least);
}

/** The same value with one of its parts, whichever, made hostile. */
export function spoilt(value: unknown, chance: Chance): unknown {
  if (value === null || typeof value !== 'object' || chance() < 0.15) return pick(HOSTILE, chance)();
  if (Array.isArray(value)) {
    if (value.length === 0) return [pick(HOSTILE, chance)()];
    const at = Math.floor(chance() * value.length);
    return value.map((one, i) => (i === at ? spoilt(one, chance) : one));
  }
  const keys = Object.keys(value);
  const at = pick(keys, chance);
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, key === at ? spoilt(one, chance) : one]));
}

'use client';
import { Checkbox, Form, Input, InputNumber, Select } from 'antd';
import { useState } from 'react';
import { newVessel, vesselEdit } from '@/contract/schemas';
import type { Home } from '@/core/kitchen/home';
import { holdsMany, MATERIAL_SAYS, MATERIALS, type Material, VESSEL_KINDS, VESSEL_WORD, type Vessel, type VesselKind } from '@/core/kitchen/vessel';
import { post, put } from '../api/http';
import { newId } from '../api/newId';
import { FormSheet } from '../form/FormSheet';
import { Hidden } from '../form/Hidden';
import { TypedItem } from '../form/TypedItem';
import { typedValue, volumeReader } from '../form/typed';
import { usePrint } from '../shell/facts';
import { PutAway } from './PutAway';

interface Values {
  readonly id: string;
  readonly revision: number;
  readonly name: string;
  readonly kind: VesselKind;
  readonly litresText: string;
  readonly material: Material;
  readonly heatProof: boolean;
  readonly heatSourceId: string;
  readonly probeId: string;
  readonly dyeOnly: boolean;
  readonly order: number | null;
}

interface Props {
  readonly vessel: Vessel | null;
  readonly home: Home;
  readonly place: number;
  readonly onClose: () => void;
}

/** A pot, a pail, a line: where it stands, what it holds, what it is made of. */
export function VesselForm({ vessel, home, place, onClose }: Props) {
  const { measures } = usePrint();
  const [id] = useState(() => vessel?.id ?? newId());
  const first: Values = {
    id,
    revision: vessel?.revision ?? 0,
    name: vessel?.name ?? '',
    kind: vessel?.kind ?? 'pot',
    litresText: vessel ? (vessel.litres === null ? '' : `${vessel.litres} L`) : '8 L',
    material: vessel?.material ?? 'stainless',
    heatProof: vessel?.heatProof ?? false,
    heatSourceId: vessel?.heatSourceId ?? '',
    probeId: vessel?.probeId ?? '',
    dyeOnly: vessel?.dyeOnly ?? true,
    order: vessel?.order ?? place,
  };
  const body = ({ id: own, revision, litresText, heatSourceId, probeId, ...rest }: Values) => {
    const mL = holdsMany(rest) ? null : typedValue(volumeReader(measures, 'L'), litresText);
    return {
      ...rest,
      litres: mL === null ? null : mL / 1000,
      heatSourceId: heatSourceId || null,
      probeId: probeId || null,
      ...(vessel ? { revision } : { id: own }),
    };
  };
  return (
    <FormSheet<Values>
      name={vessel ? `vessel-${vessel.id}` : 'vessel-new'}
      title={vessel ? vessel.name : 'Add a vessel'}
      first={first}
      body={body}
      schema={vessel ? vesselEdit : newVessel}
      places={{ litres: 'litresText' }}
      send={(sent) => (vessel ? put(`/vessels/${vessel.id}`, sent) : post('/vessels', sent))}
      ends={vessel ? <PutAway label="Put it away" path={`/vessels/${vessel.id}/retire`} revision={vessel.revision} onDone={onClose} /> : null}
      onDone={onClose}
      onClose={onClose}
    >
      {(values) => (
        <>
          <Hidden names={['id', 'revision']} />
          <Form.Item name="name" label="Name">
            <Input maxLength={120} placeholder="Big pot" />
          </Form.Item>
          <div className="fields">
            <Form.Item name="kind" label="Kind">
              <Select options={VESSEL_KINDS.map((value) => ({ value, label: VESSEL_WORD[value] }))} />
            </Form.Item>
            <TypedItem
              name="litresText"
              label="To the brim"
              read={(how) => volumeReader(how, 'L')}
              placeholder="unknown; 12 L, 3 gal (US)"
              disabled={holdsMany(values)}
            />
            <Form.Item name="material" label="Material" extra={MATERIAL_SAYS[values.material]}>
              <Select options={MATERIALS.map((value) => ({ value, label: value }))} />
            </Form.Item>
            <Form.Item name="heatSourceId" label="Stands on">
              <Select options={[{ value: '', label: 'no heat' }, ...home.heatSources.map((source) => ({ value: source.id, label: source.name }))]} />
            </Form.Item>
            <Form.Item name="probeId" label="Probe">
              <Select
                options={[
                  { value: '', label: 'none' },
                  ...home.probes.map((probe) => ({ value: probe.id, label: probe.name })),
                  ...(first.probeId && !home.probes.some((probe) => probe.id === first.probeId) ? [{ value: first.probeId, label: first.probeId }] : []),
                ]}
              />
            </Form.Item>
            <Form.Item name="order" label="Place from the left">
              <InputNumber style={{ width: '100%' }} />
            </Form.Item>
          </div>
          <Form.Item name="dyeOnly" valuePropName="checked">
            <Checkbox>For dyeing only, never for food again</Checkbox>
          </Form.Item>
          <Form.Item name="heatProof" valuePropName="checked" hidden={values.material !== 'glass'}>
            <Checkbox>Marked heat-proof</Checkbox>
          </Form.Item>
        </>
      )}
    </FormSheet>
  );
}

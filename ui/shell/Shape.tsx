'use client';
import { Skeleton } from 'antd';

/** The shape of what comes: rows of a list, panels side by side, or a picture beside fields. */
export type Shaped = 'rows' | 'panels' | 'picture';

export function Shape({ shape }: { shape: Shaped }) {
  switch (shape) {
    case 'rows':
      return (
        <div className="rows" aria-hidden="true">
          {[0, 1, 2, 3, 4, 5].map((row) => (
            <div key={row} className="row">
              <Skeleton active title={false} avatar={{ shape: 'square' }} paragraph={{ rows: 2, width: ['34%', '22%'] }} />
            </div>
          ))}
        </div>
      );
    case 'panels':
      return (
        <div className="columns" aria-hidden="true">
          {[0, 1, 2].map((panel) => (
            <div key={panel} className="panel">
              <Skeleton active paragraph={{ rows: 4 }} />
            </div>
          ))}
        </div>
      );
    case 'picture':
      return (
        <div className="beside beside-editor" aria-hidden="true">
          <div className="panel">
            <Skeleton active paragraph={{ rows: 8 }} />
          </div>
          <div className="panel">
            <Skeleton.Node active style={{ width: '100%', height: 420 }} />
          </div>
        </div>
      );
  }
}

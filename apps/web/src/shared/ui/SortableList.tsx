import { DeleteOutlined, HolderOutlined } from './icons.tsx';
import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { Button } from 'antd';
import { type ReactNode } from 'react';
import styles from './SortableList.module.css';

export interface SortableItem {
  readonly id: string;
  readonly label: string;
  /** Shown in the row instead of the label. */
  readonly shown?: ReactNode;
  /** Below the row. */
  readonly below?: ReactNode;
}

/** A short list in an order of the maker's own: dragged by the handle, or moved with Space and the arrow keys. */
export function SortableList(props: {
  readonly label: string;
  readonly items: readonly SortableItem[];
  /** Told the ids in their new order. */
  readonly onOrder: (ids: readonly string[]) => void;
  /** Nothing can be taken out without it. */
  readonly onRemove?: (id: string) => void;
}) {
  const { label, items, onOrder, onRemove } = props;
  const sensors = useSensors(
    useSensor(MouseSensor),
    // A finger holds the handle first: a swipe over it scrolls.
    useSensor(TouchSensor, { activationConstraint: { delay: 250, tolerance: 8 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const ids = items.map((i) => i.id);
  const nameOf = (id: string | number): string => items.find((i) => i.id === id)?.label ?? '';
  const placeOf = (id: string | number): number => ids.indexOf(String(id)) + 1;
  const moved = ({ active, over }: DragEndEvent): void => {
    if (over && over.id !== active.id)
      onOrder(arrayMove(ids, ids.indexOf(String(active.id)), ids.indexOf(String(over.id))));
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={moved}
      accessibility={{
        screenReaderInstructions: {
          draggable: 'Space picks it up and drops it, the arrow keys move it, Escape puts it back.',
        },
        announcements: {
          onDragStart: ({ active }) => `${nameOf(active.id)} is picked up.`,
          onDragOver: ({ active, over }) =>
            over ? `${nameOf(active.id)} is at place ${placeOf(over.id)} of ${ids.length}.` : undefined,
          onDragEnd: ({ active, over }) =>
            over ? `${nameOf(active.id)} is dropped at place ${placeOf(over.id)}.` : undefined,
          onDragCancel: ({ active }) => `${nameOf(active.id)} goes back to its place.`,
        },
      }}
    >
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <ol className={styles.list} aria-label={label}>
          {items.map((item) => (
            <Row key={item.id} item={item} onRemove={onRemove} />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

function Row(props: { readonly item: SortableItem; readonly onRemove: ((id: string) => void) | undefined }) {
  const { item, onRemove } = props;
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition } = useSortable({
    id: item.id,
  });
  return (
    <li
      ref={setNodeRef}
      className={styles.row}
      style={{ transform: CSS.Transform.toString(transform), transition }}
    >
      <button
        type="button"
        ref={setActivatorNodeRef}
        className={styles.handle}
        {...attributes}
        {...listeners}
        aria-label={`Move ${item.label}`}
      >
        <HolderOutlined />
      </button>
      <span className={styles.label}>{item.shown ?? item.label}</span>
      {onRemove && (
        <Button
          type="text"
          size="small"
          icon={<DeleteOutlined />}
          aria-label={`Leave out ${item.label}`}
          title="Leave out"
          onClick={() => {
            onRemove(item.id);
          }}
        />
      )}
      {item.below !== undefined && <div className={styles.below}>{item.below}</div>}
    </li>
  );
}

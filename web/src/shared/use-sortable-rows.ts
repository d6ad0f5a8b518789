import Sortable from 'sortablejs'
import { nextTick, onScopeDispose, watch, type ShallowRef, type WatchSource } from 'vue'

export interface Dropped {
  readonly key: string
  readonly from: HTMLElement
  readonly to: HTMLElement
  readonly fromIndex: number
  readonly toIndex: number
}

/** Rows of lists are lifted by their grips and dropped where the line shows; the lists themselves stay Vue's: the row is put
 * back where it was, and the new order comes from the data.
 * @param inside where the lists are @param selector of the lists; rows carry their key as `data-key`
 * @param given.when what makes lists or rows anew @param given.group lets rows go from one list into another */
export function useSortableRows(
  inside: Readonly<ShallowRef<HTMLElement | null>>,
  selector: string,
  given: {
    readonly when: WatchSource[]
    readonly may: () => boolean
    readonly group?: string
    readonly drop: (dropped: Dropped) => void
  },
): void {
  let sortables: Sortable[] = []
  const end = () => sortables.forEach((each) => each.destroy())
  function begin() {
    end()
    const lists = given.may() ? [...(inside.value?.querySelectorAll<HTMLElement>(selector) ?? [])] : []
    sortables = lists.map((element) =>
      Sortable.create(element, {
        ...(given.group ? { group: given.group } : {}),
        handle: '.grip',
        animation: 0,
        ghostClass: 'landing',
        onEnd: ({ item, from, to, oldIndex = 0, newIndex = 0 }) => {
          // Taken out of a list first, rows below it stand one higher.
          const offset = from === to && oldIndex > newIndex ? 1 : 0
          from.insertBefore(item, from.children[oldIndex + offset] ?? null)
          given.drop({ key: item.dataset.key ?? '', from, to, fromIndex: oldIndex, toIndex: newIndex })
        },
      }),
    )
  }
  watch([...given.when, given.may], () => nextTick(begin), { deep: true, flush: 'post', immediate: true })
  onScopeDispose(end)
}

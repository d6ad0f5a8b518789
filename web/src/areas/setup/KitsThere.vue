<script setup lang="ts">
import type { ShelfKit } from '@binoculum/contract'
import { useElementSize } from '@vueuse/core'
import type { Column, SortBy } from 'element-plus'
import { computed, ref, useTemplateRef } from 'vue'
import KitTag from '../../shared/drawings/KitTag.vue'
import { setupWords } from './words.ts'

const t = setupWords('kitsThere')

/** All kits of the house, a line each: only what is in sight is made, however many there are. */
const { kits } = defineProps<{ kits: readonly ShelfKit[] }>()

const ROW_PX = 34
const MOST_PX = 520

const room = useTemplateRef('room')
const { width } = useElementSize(room)
const isNarrow = computed(() => width.value < 560)
const columns = computed((): Column<ShelfKit>[] => [
  { key: 'name', dataKey: 'name', title: t('kit'), width: 120, flexGrow: 2, sortable: true },
  { key: 'code', dataKey: 'code', title: t('code'), width: 110, sortable: true },
  ...(isNarrow.value
    ? []
    : [{ key: 'modelName', dataKey: 'modelName', title: t('model'), width: 200, flexGrow: 3, sortable: true }]),
  { key: 'place', dataKey: 'place', title: t('place'), width: 130, flexGrow: 1, sortable: true },
])
const order = ref<SortBy>({ key: 'code', order: 'asc' as SortBy['order'] })
const rows = computed(() => {
  const { key, order: way } = order.value
  const wordOf = (kit: ShelfKit) => String(kit[key as keyof ShelfKit])
  const sorted = [...kits].sort((a, b) => wordOf(a).localeCompare(wordOf(b), undefined, { numeric: true }))
  return way === 'desc' ? sorted.reverse() : sorted
})
const height = computed(() => Math.min(MOST_PX, ROW_PX * (rows.value.length + 1) + 2))
</script>

<template>
  <div ref="room">
    <ElTableV2
      v-if="width > 0"
      :columns="columns"
      :data="rows"
      :width="width"
      :height="height"
      :row-height="ROW_PX"
      :header-height="ROW_PX"
      :sort-by="order"
      row-key="id"
      @column-sort="order = $event"
    >
      <template #cell="{ column, rowData: kit }">
        <RouterLink
          v-if="column.key === 'name'"
          class="serif overflow-hidden text-18px text-ellipsis whitespace-nowrap"
          :title="kit.name"
          :to="`/kits/${encodeURIComponent(kit.code)}`"
          >{{ kit.name }}</RouterLink
        >
        <KitTag v-else-if="column.key === 'code'" :code="kit.code" />
        <span v-else class="quiet overflow-hidden text-ellipsis whitespace-nowrap" :title="kit[column.key]">{{
          kit[column.key]
        }}</span>
      </template>
    </ElTableV2>
  </div>
</template>

<script setup lang="ts">
import type { ShelfKit } from '@binoculum/contract'
import { lookSentence } from '@binoculum/core'
import { computed } from 'vue'
import KitTag from '../../shared/drawings/KitTag.vue'
import ReadingFigure from '../../shared/drawings/ReadingFigure.vue'
import ReasonText from '../../shared/ReasonText.vue'
import { dayText, lateText, whenText } from '../../shared/dates.ts'
import { readingOf } from './shelf-groups.ts'
import { useSession } from '../people/session.ts'
import { shelfWords } from './words.ts'

const t = shelfWords('shelfRow')

const session = useSession()
const { kit, chosen } = defineProps<{ kit: ShelfKit; chosen: boolean }>()
defineEmits<{ choose: [] }>()

const mirror = computed(() => readingOf(kit, 'collimation') ?? readingOf(kit, 'star'))
const finder = computed(() => readingOf(kit, 'finder'))
</script>

<template>
  <div
    :class="['row', { chosen }]"
    :aria-current="chosen"
    :data-code="kit.code"
    @click="$emit('choose')"
    @dblclick="$router.push(`/kits/${kit.code}`)"
  >
    <div class="name min-w-0">
      <p class="serif flex gap-6px items-center text-20px lh-22px">
        <button
          type="button"
          class="p-0 line-none bg-none [color:inherit] font-inherit text-left overflow-hidden text-ellipsis whitespace-nowrap"
          :title="kit.name"
        >
          {{ kit.name }}
        </button>
        <KitTag :code="kit.code" />
      </p>
      <p class="second overflow-hidden text-ellipsis whitespace-nowrap block" :title="kit.modelName">
        {{ kit.modelName }}
      </p>
    </div>
    <p class="why [display:-webkit-box] overflow-hidden [-webkit-box-orient:vertical] [-webkit-line-clamp:2]">
      <span v-if="kit.look" class="text-brass-text fw-640" :title="lookSentence(kit.look)"
        >{{ t('lookAtTheMirrorFirst') }}{{ ' ' }}
      </span>
      <ReasonText :condition="kit.condition" :reasons="kit.reasons" :out="kit.group === 'out'" />
    </p>
    <p class="where min-w-0 overflow-hidden text-13px">
      <strong v-if="kit.loan && kit.loan.daysLate > 0" class="rust">{{ lateText(kit.loan.daysLate) }}</strong>
      <template v-else-if="kit.loan">{{
        t('backAt', { dueAtUtc: dayText(kit.loan.dueAtUtc, session.zoneOf(kit.branchId)) })
      }}</template>
      <template v-else>{{ kit.place }}</template>
    </p>
    <p :class="['next', { none: !kit.next }]" class="min-w-0 overflow-hidden text-13px whitespace-nowrap">
      <template v-if="kit.next"
        ><em class="what">{{ t('next') }}{{ ' ' }} </em>{{ whenText(kit.next.atUtc, session.zoneOf(kit.branchId))
        }}<br /><span class="quiet overflow-hidden text-ellipsis whitespace-nowrap block">{{
          kit.next.borrower
        }}</span></template
      >
      <span v-else class="quiet">{{ t('noneBooked') }}</span>
    </p>
    <div class="max-[900px]:hidden">
      <ReadingFigure v-if="mirror" :reading="mirror" /><span v-else class="second">{{ t('notMeasured') }}</span>
    </div>
    <div class="max-[900px]:hidden">
      <ReadingFigure v-if="finder" :reading="finder" /><span v-else class="second">{{ t('notMeasured') }}</span>
    </div>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: 180px minmax(150px, 1fr) 100px 112px 66px 66px;
  gap: 7.5px;
  align-items: center;
  min-height: 40px;
  padding: 0 4px 0 16px;
  border-bottom: 1px solid var(--rule);
  font-size: 13.5px;
  line-height: 17px;
  cursor: default;
}

/* Where there are no headings over the columns. */
.next .what {
  display: none;
}

/* On a phone, and on a tablet held upright, what it says is read, not scanned: a line each for name, reason and next hand-out. */
@media (max-width: 900px) {
  .row {
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 2px 10px;
    padding-block: 6px;
  }

  .where {
    text-align: right;
  }

  .why,
  .next {
    grid-column: 1 / -1;
  }

  .why {
    order: 1;
  }

  .next {
    order: 2;
  }

  .next br,
  .next.none {
    display: none;
  }

  .next .what,
  .next span {
    display: inline;
  }

  .next span::before {
    content: ', ';
  }
}

.row.chosen {
  position: relative;
  border-block: 1px solid var(--rule-strong);
  background: var(--card);
}
</style>

<script setup lang="ts">
import type { GuideTexts } from '@binoculum/contract'
import { diffWords } from 'diff'
import { ref } from 'vue'
import { whenText } from '../../shared/dates.ts'
import { useSession } from '../people/session.ts'
import { guidesWords } from './words.ts'

const t = guidesWords('blockVersions')

/** What a block said before, and how that differs from what stands in the editor. */
type Version = GuideTexts['blocks'][number]['versions'][number]
const session = useSession()
const { versions, text } = defineProps<{ versions: readonly Version[]; text: string }>()
const emit = defineEmits<{ takeUp: [version: Version] }>()
const compared = ref<string | null>(null)
const scopeWords = { programme: t('allKits'), model: t('thisModel'), kit: t('thisKit') } as const
const changes = (before: string) => diffWords(before, text)
</script>

<template>
  <ul class="m-0 p-0 list-none">
    <li v-for="version in versions" :key="version.id" class="py-4px px-0 line-t-rule">
      {{
        t('atUtcFor', {
          atUtc: whenText(version.atUtc, session.zoneOf()),
          by: version.by,
          scopeWords: scopeWords[version.scope],
          inUse: version.inUse ? '' : t('draft'),
          reason: version.text === null ? t('takenOut', { reason: version.reason }) : '',
        })
      }}
      <template v-if="version.text !== null">
        <ElButton
          link
          :aria-expanded="compared === version.id"
          @click="compared = compared === version.id ? null : version.id"
        >
          {{ t('compare') }}
        </ElButton>
        <ElButton link @click="emit('takeUp', version)">{{ t('takeItUp') }}</ElButton>
      </template>
      <p
        v-if="compared === version.id && version.text !== null"
        class="mt-4px py-6px px-10px line-l-3-rule-strong whitespace-pre-line"
      >
        <template v-if="version.text === text">{{ t('theSameWords') }}</template>
        <template v-for="(part, index) in changes(version.text)" v-else :key="index"
          ><ins v-if="part.added" class="bg-wash no-underline fw-640">{{ part.value }}</ins
          ><del v-else-if="part.removed" class="text-rust">{{ part.value }}</del
          ><template v-else>{{ part.value }}</template></template
        >
      </p>
    </li>
  </ul>
</template>

<style scoped>
.el-button.is-link {
  margin-left: 8px;
}
</style>

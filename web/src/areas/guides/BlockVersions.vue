<script setup lang="ts">
import type { GuideTexts } from '@binoculum/contract'
import { diffWords } from 'diff'
import { ref } from 'vue'
import { whenText } from '../../shared/dates.ts'
import { useSession } from '../people/session.ts'

/** What a block said before, and how that differs from what stands in the editor. */
type Version = GuideTexts['blocks'][number]['versions'][number]
const session = useSession()
const { versions, text } = defineProps<{ versions: readonly Version[]; text: string }>()
const emit = defineEmits<{ takeUp: [version: Version] }>()
const compared = ref<string | null>(null)
const scopeWords = { programme: 'all kits', model: 'this model', kit: 'this kit' } as const
const changes = (before: string) => diffWords(before, text)
</script>

<template>
  <ul>
    <li v-for="version in versions" :key="version.id">
      {{ whenText(version.atUtc, session.zoneOf()) }}, {{ version.by }}, for {{ scopeWords[version.scope]
      }}{{ version.inUse ? '' : ', draft' }}{{ version.text === null ? `: taken out, ${version.reason}` : '' }}
      <template v-if="version.text !== null">
        <ElButton
          link
          :aria-expanded="compared === version.id"
          @click="compared = compared === version.id ? null : version.id"
        >
          Compare
        </ElButton>
        <ElButton link @click="emit('takeUp', version)">Take it up</ElButton>
      </template>
      <p v-if="compared === version.id && version.text !== null" class="compared">
        <template v-if="version.text === text">The same words.</template>
        <template v-for="(part, index) in changes(version.text)" v-else :key="index"
          ><ins v-if="part.added">{{ part.value }}</ins
          ><del v-else-if="part.removed">{{ part.value }}</del
          ><template v-else>{{ part.value }}</template></template
        >
      </p>
    </li>
  </ul>
</template>

<style scoped>
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}

li {
  padding: 4px 0;
  border-top: 1px solid var(--rule);
}

.el-button.is-link {
  margin-left: 8px;
}

.compared {
  margin-top: 4px;
  padding: 6px 10px;
  border-left: 3px solid var(--rule-strong);
  white-space: pre-line;
}

ins {
  background: var(--wash);
  text-decoration: none;
  font-weight: 640;
}

del {
  color: var(--rust);
}
</style>

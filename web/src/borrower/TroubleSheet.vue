<script setup lang="ts">
import type { IssuedGuide } from '@binoculum/contract'
import { computed } from 'vue'
import SaidText from './SaidText.vue'
import { useWords } from './guide-language.ts'
import { textOf } from './guide-pages.ts'

/** The tree of trouble all at once: for paper, and for a page without scripts. */
const { guide } = defineProps<{ guide: IssuedGuide }>()
const { language } = useWords()
const signs = computed(() => textOf(guide, language.value).trouble)
</script>

<template>
  <div class="sheet">
    <section v-for="sign in signs" :key="sign.key">
      <h3><SaidText :said="sign.sign" /></h3>
      <ul>
        <li v-for="(check, index) in sign.checks" :key="index"><SaidText :said="check" /></li>
      </ul>
      <p class="question"><SaidText :said="sign.question" /></p>
      <dl>
        <template v-for="each in sign.answers" :key="each.key">
          <dt><SaidText :said="each.answer" /></dt>
          <dd>
            <span v-for="(line, index) in each.then" :key="index"><SaidText :said="line" />{{ ' ' }}</span>
          </dd>
        </template>
      </dl>
      <p v-if="sign.besides" class="second"><SaidText :said="sign.besides" /></p>
    </section>
  </div>
</template>

<style scoped>
section {
  padding: 6px 0;
  break-inside: avoid;
}

ul {
  margin: 2px 0 4px;
  padding-left: 22px;
  list-style: '□  ';
}

.question {
  font-weight: 640;
}

dl {
  display: grid;
  grid-template-columns: minmax(90px, 3fr) 7fr;
  gap: 2px 14px;
  margin: 4px 0 0;
}

dt {
  font-style: italic;
}

dd {
  margin: 0;
}
</style>

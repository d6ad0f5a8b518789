<script setup lang="ts">
/** Stands beside the words that say it. */
const { size = 46 } = defineProps<{ size?: number }>()
const rays = Array.from({ length: 12 }, (_, index) => index * 30)
</script>

<template>
  <svg :width="size" :height="size" viewBox="-24 -24 48 48" class="sun-sign" aria-hidden="true">
    <circle r="9" />
    <line v-for="deg in rays" :key="deg" y1="-12.5" y2="-17.5" :transform="`rotate(${deg})`" />
    <line x1="-19" y1="20" x2="19" y2="-20" class="halo" />
    <line x1="-19" y1="20" x2="19" y2="-20" class="bar" />
  </svg>
</template>

<style scoped>
.sun-sign {
  flex: none;
}

circle {
  fill: var(--rust);
}

line {
  stroke: var(--rust);
  stroke-width: 2;
  stroke-linecap: round;
}

.halo {
  stroke: var(--card);
  stroke-width: 7;
}

.bar {
  stroke-width: 3.4;
}

@media print {
  circle {
    fill: #000;
  }

  line {
    stroke: #000;
  }

  .halo {
    stroke: #fff;
  }
}
</style>

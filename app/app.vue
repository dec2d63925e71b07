<script setup lang="ts">
const { restore } = useLight()
onMounted(() =>
  restore().catch(() => {
    // Without a store the light is that of paper.
  }),
)
</script>

<template>
  <v-app>
    <NuxtPage />
  </v-app>
</template>

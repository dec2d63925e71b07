<script setup lang="ts">
import { reading, unitName } from '~/composables/format'
import { useProject } from '~/stores/project'
import { useView } from '~/stores/view'

const project = useProject()
const view = useView()

const { next, flip } = useLight()
</script>

<template>
  <div class="top">
    <img src="/mariposa.svg" alt="" width="30" height="30" />
    <div class="names">
      <button
        type="button"
        class="plain name"
        data-act="shelf"
        :title="project.doc?.name"
        @click="view.shelfOpen = true"
      >
        {{ project.doc?.name ?? 'Mariposa' }}
      </button>
      <div class="acts">
        <v-btn variant="text" size="x-small" @click="view.shelfOpen = true">Projects</v-btn>
        <v-btn class="wide" variant="text" size="x-small" to="/begin" :active="false" data-act="new"
          >New</v-btn
        >
        <v-btn variant="text" size="x-small" data-act="command" @click="view.commanding = true"
          >Find <kbd>/</kbd></v-btn
        >
        <v-btn variant="text" size="x-small" data-act="theme" @click="flip">{{ next.label }}</v-btn>
        <v-menu :close-on-content-click="false">
          <template #activator="{ props: menu }">
            <v-btn
              v-bind="menu"
              variant="text"
              size="x-small"
              data-act="reading"
              aria-label="Units and decimal sign"
              >{{ unitName('mm') }}, {{ unitName('g') }}</v-btn
            >
          </template>
          <v-card class="reading">
            <v-radio-group v-model="reading.units" label="Lengths and masses" hide-details>
              <v-radio value="metric" label="mm and g" data-units="metric" />
              <v-radio value="imperial" label="inches and ounces" data-units="imperial" />
            </v-radio-group>
            <v-radio-group v-model="reading.decimal" label="Decimals follow" hide-details>
              <v-radio value="." label="a point: 1.5" />
              <v-radio value="," label="a comma: 1,5" data-decimal="comma" />
            </v-radio-group>
            <p class="quiet small">Files and the command line stay in mm and g, with a point.</p>
          </v-card>
        </v-menu>
      </div>
    </div>
  </div>
</template>

<style scoped>
.top {
  display: flex;
  gap: 8px;
  align-items: center;
  padding-left: 12px;
  min-width: 0;
}
.names {
  min-width: 0;
}
.name {
  font-size: 18px;
  font-weight: 700;
  max-width: 230px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  display: block;
}
.reading {
  padding: 12px 16px;
  max-width: 280px;
}
.acts {
  gap: 0;
  flex-wrap: nowrap;
  margin-left: -8px;
}
@media (max-width: 700px) {
  .top {
    padding-left: 8px;
  }
  .names {
    display: flex;
    align-items: center;
    gap: 4px;
    flex: 1;
  }
  .name {
    font-size: 16px;
    min-width: 60px;
    flex: 1 1 auto;
    min-height: 44px;
  }
  .acts {
    margin-left: 0;
    flex: none;
  }
  .acts :deep(.v-btn) {
    padding: 0 6px;
    min-width: 0;
  }
  kbd,
  .wide {
    display: none;
  }
}
kbd {
  border: 1px solid var(--hair);
  border-radius: 3px;
  padding: 0 4px;
  margin-left: 4px;
  font-size: 11px;
}
</style>

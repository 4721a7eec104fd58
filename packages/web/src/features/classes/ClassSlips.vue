<script setup lang="ts">
import { classRoutes, type SchoolClass, type SlipCount } from "@lodrin/contract";
import { shallowRef } from "vue";
import { call } from "../../api/call.js";
import LoadState from "../../ui/LoadState.vue";
import { useLoad } from "../../ui/use-load.js";

/** Which steps the class gets wrong most, and by which slip: the place to mend the system or the lesson. No names. */
const props = defineProps<{ schoolClass: SchoolClass }>();
const slips = shallowRef<readonly SlipCount[]>([]);
const { ready, why, again } = useLoad(async () => (slips.value = await call(classRoutes.slips, { params: { id: props.schoolClass.id } })));
const rows = (row: unknown): SlipCount => row as SlipCount;
const system = (slug: string): string => slug.replace(/^\d+-/, "").replaceAll("-", " ");
</script>

<template>
  <LoadState v-if="!ready" what="the slips of the class" :why="why" @again="again" />
  <el-table v-else :data="[...slips]" max-height="640" empty-text="No slip has been found among those who share their figures.">
    <el-table-column label="System" min-width="190" sortable prop="slug"
      ><template #default="{ row }">{{ system(rows(row).slug) }}</template></el-table-column
    >
    <el-table-column label="Step" prop="step" sortable width="120" />
    <el-table-column label="Students" prop="students" sortable width="120" />
    <el-table-column label="Times" prop="times" sortable width="100" />
    <el-table-column label="What happened" prop="says" min-width="380" />
  </el-table>
</template>

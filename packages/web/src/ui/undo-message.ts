import "element-plus/es/components/notification/style/css";

export { ElNotification } from "element-plus/es/components/notification/index";
export { default as UndoOffer } from "./UndoOffer.vue";

import { defineConfig } from "drizzle-kit";

export default defineConfig({
  dialect: "sqlite",
  casing: "snake_case",
  schema: "./data/schema/index.ts",
  out: "./data/migrations",
});

import { defineConfig } from "drizzle-kit";

export default defineConfig({ dialect: "sqlite", schema: "./data/schema.ts", out: "./data/migrations" });

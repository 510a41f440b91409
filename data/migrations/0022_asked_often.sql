CREATE INDEX `rig_by_tractor` ON `rig` (`tractor_id`);--> statement-breakpoint
CREATE INDEX `work_by_field` ON `work` (`field_id`);--> statement-breakpoint
CREATE INDEX `work_begun_of_work` ON `work_begun` (`work`);
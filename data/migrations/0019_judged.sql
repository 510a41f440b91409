DROP TABLE `board`;--> statement-breakpoint
CREATE INDEX `service_done_by_item` ON `service_done` (`item_id`);--> statement-breakpoint
CREATE INDEX `wear_measured_by_part` ON `wear_measured` (`part_id`);
CREATE INDEX `hookup_tick_by_line` ON `hookup_tick` (`rig_id`,`line`,`at`);--> statement-breakpoint
CREATE INDEX `retraction_by_tick` ON `retraction` (`tick_id`);--> statement-breakpoint
CREATE INDEX `retraction_by_event` ON `retraction` (`event_id`);--> statement-breakpoint
CREATE INDEX `retraction_by_observation` ON `retraction` (`observation_id`);--> statement-breakpoint
CREATE INDEX `retraction_by_test` ON `retraction` (`test_id`);--> statement-breakpoint
UPDATE `scheme_line` SET `to_point` = 'connector', `label` = 'Hitch connector, offset X' WHERE `scheme_id` = 'iso-mm' AND `from_point` = 'axle' AND `to_point` = 'pin' AND `label` = 'Drawbar connector, offset X';--> statement-breakpoint
UPDATE `scheme_line` SET `from_point` = 'reference' WHERE `scheme_id` = 'iso-mm' AND `from_point` = 'pivot';

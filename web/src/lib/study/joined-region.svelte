<script lang="ts">
	import type { Schemas } from '$lib/api/client';
	import { spreadOf } from './joined';
	import type { Region, StudyDesk } from './study-desk.svelte';

	/** A region on each photograph of its side, which of them counts, and how far they are apart. */
	type Props = {
		joined: Schemas['JoinedRegion'];
		leading: string;
		region: Region;
		photographs: Schemas['Photograph'][];
		desk: StudyDesk;
	};
	let { joined, leading, region, photographs, desk }: Props = $props();

	const named = (id: string) => {
		const p = photographs.find((x) => x.id === id);
		const day = p?.takenAt?.slice(0, 10);
		return `${p?.caption || 'Photograph'}${day ? `, ${day}` : ''}`;
	};

	function measureOn(id: string) {
		void desk.changeRegion(
			region.id,
			{ photographId: id === leading ? null : id },
			'Measured on another photograph'
		);
	}
</script>

<fieldset>
	<legend class="tag">Counts as measured on</legend>
	{#each joined.on as o (o.photographId)}
		<label class="grid grid-cols-[auto_1.5rem_1fr] items-center gap-2 py-0.5">
			<input
				type="radio"
				name="measured-on-{region.id}"
				checked={o.photographId === joined.measuredOn}
				onchange={() => measureOn(o.photographId)}
			/>
			<span class="block h-5 border border-soft" style:background-color={o.hex ?? 'transparent'}
			></span>
			<span class="leading-tight"
				>{named(o.photographId)}
				<span class="figure text-soft">
					{#if o.photographId !== joined.measuredOn}
						{o.deltaE00 === null || o.deltaE00 === undefined
							? ''
							: `ΔE00 ${o.deltaE00.toFixed(1)} · `}{o.differs.length
							? o.differs.join(', ')
							: o.hex
								? 'no other measure differs'
								: 'too little of it is seen'}
					{/if}
				</span></span
			>
		</label>
	{/each}
</fieldset>
{#if joined.spread.length}
	<p class="figure text-soft">Over all of them: {joined.spread.map(spreadOf).join(' · ')}</p>
{/if}

import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';

/** The folder of the package that a module belongs to, null for our own. */
function folderOf(id) {
	const file = id.replace(/^\0+/, '').split('?')[0];
	if (!file.includes('/node_modules/')) return null;
	for (let folder = dirname(file); folder.includes('/node_modules/'); folder = dirname(folder)) {
		const described = join(folder, 'package.json');
		// packages have package.json files without a name inside, to set the kind of modules
		if (existsSync(described) && JSON.parse(readFileSync(described, 'utf8')).version) return folder;
	}
	return null;
}

function textOf(folder) {
	const files = readdirSync(folder).filter((f) => /^(licen[cs]e|notice|copying)/i.test(f));
	return files.map((f) => readFileSync(join(folder, f), 'utf8').trim()).join('\n\n');
}

/** What a style sheet of ours takes in from packages: styles and fonts are no modules of their own. */
function importedBy(css) {
	return [...css.matchAll(/@import\s+'((?:@[\w-]+\/)?[\w-]+)/g)].map((m) =>
		join(process.cwd(), 'node_modules', m[1])
	);
}

/** Writes what is bundled and under which licence: fonts, styles and scripts. */
export function licences() {
	const styles = new Set();
	return {
		name: 'licences',
		apply: 'build',
		enforce: 'pre',
		transform(code, id) {
			if (/\.css$/.test(id.split('?')[0])) importedBy(code).forEach((f) => styles.add(f));
		},
		generateBundle(options) {
			if (!String(options.dir).includes('client')) return;
			const modules = [...this.getModuleIds()].map(folderOf).filter(Boolean);
			const packages = [...new Set([...styles, ...modules])].map((folder) => {
				const about = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8'));
				return {
					name: about.name,
					version: about.version,
					licence: about.license ?? 'as its text says',
					text: textOf(folder)
				};
			});
			packages.sort((a, b) => a.name.localeCompare(b.name));
			this.emitFile({
				type: 'asset',
				fileName: 'licences.json',
				source: JSON.stringify(packages)
			});
		}
	};
}

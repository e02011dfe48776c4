package org.pendrik.app.paper;

import java.io.IOException;
import java.util.HashMap;
import java.util.Map;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.COSObjectable;
import org.apache.pdfbox.pdmodel.common.PDNumberTreeNode;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDMarkInfo;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDParentTreeValue;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureTreeRoot;
import org.apache.pdfbox.pdmodel.documentinterchange.markedcontent.PDPropertyList;
import org.apache.pdfbox.pdmodel.documentinterchange.taggedpdf.StandardStructureTypes;

/**
 * What stands on the sheets in the order in which it is read: headings, lines of text, pictures
 * with words for them. Rulers, frames and the like are artifacts (ISO 32000-1, 14.7 and 14.8).
 */
final class Tags {
    /** What a thing on a page is to a reader. */
    enum Kind {
        HEADING(StandardStructureTypes.H1),
        LINE(StandardStructureTypes.P),
        PICTURE(StandardStructureTypes.Figure);

        private final String type;

        Kind(String type) {
            this.type = type;
        }
    }

    /** Something that draws. */
    interface Drawing {
        void draw() throws IOException;
    }

    private final PDDocument document;
    private final PDStructureTreeRoot root = new PDStructureTreeRoot();
    private final PDStructureElement whole =
            new PDStructureElement(StandardStructureTypes.DOCUMENT, root);
    private final Map<Integer, COSArray> ofPages = new HashMap<>();
    private PDPage page = new PDPage();

    Tags(PDDocument document) {
        this.document = document;
        PDMarkInfo marked = new PDMarkInfo();
        marked.setMarked(true);
        document.getDocumentCatalog().setMarkInfo(marked);
        document.getDocumentCatalog().setStructureTreeRoot(root);
        root.appendKid(whole);
    }

    /** What follows stands on another page. */
    void on(PDPage next) {
        page = next;
        int number = ofPages.size();
        page.setStructParents(number);
        ofPages.put(number, new COSArray());
    }

    /**
     * Draws something that is read.
     *
     * @param words for a picture; empty for text, which has its own
     */
    void read(PDPageContentStream out, Kind kind, String words, Drawing drawing)
            throws IOException {
        COSArray onPage = java.util.Objects.requireNonNull(ofPages.get(page.getStructParents()));
        PDStructureElement element = new PDStructureElement(kind.type, whole);
        element.setPage(page);
        if (!words.isEmpty()) {
            element.setAlternateDescription(words);
        }
        int number = onPage.size();
        element.getCOSObject().setInt(COSName.K, number);
        whole.appendKid(element);
        onPage.add(element);
        COSDictionary properties = new COSDictionary();
        properties.setInt(COSName.MCID, number);
        out.beginMarkedContent(COSName.getPDFName(kind.type), PDPropertyList.create(properties));
        drawing.draw();
        out.endMarkedContent();
    }

    /** Draws something that is only to be seen. */
    static void seen(PDPageContentStream out, Drawing drawing) throws IOException {
        out.beginMarkedContent(COSName.ARTIFACT);
        drawing.draw();
        out.endMarkedContent();
    }

    /** Writes down which element each piece of a page belongs to. */
    void close(String title) {
        Map<Integer, COSObjectable> parents = new HashMap<>();
        ofPages.forEach((number, of) -> parents.put(number, new PDParentTreeValue(of)));
        PDNumberTreeNode tree = new PDNumberTreeNode(PDParentTreeValue.class);
        tree.setNumbers(parents);
        root.setParentTree(tree);
        root.setParentTreeNextKey(ofPages.size());
        document.getDocumentInformation().setTitle(title);
    }
}

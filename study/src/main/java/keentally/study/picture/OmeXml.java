package keentally.study.picture;

import java.io.IOException;
import java.io.StringReader;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javax.xml.XMLConstants;
import javax.xml.parsers.DocumentBuilder;
import javax.xml.parsers.DocumentBuilderFactory;
import javax.xml.parsers.ParserConfigurationException;
import keentally.core.quantity.LengthUnit;
import keentally.core.quantity.Scale;
import keentally.study.picture.FileFacts.StatedScale;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;
import org.xml.sax.InputSource;
import org.xml.sax.SAXException;
import org.xml.sax.helpers.DefaultHandler;

/**
 * Pixel size and names of channels from OME-XML, the open description that microscopes put into TIFF files. Nothing outside
 * the text is ever fetched: documents with a document type are not read.
 *
 * @param stated for square pixels only
 * @param channelNames in order; empty where one has no name
 */
record OmeXml(Optional<StatedScale> stated, List<String> channelNames) {
    static final OmeXml NONE = new OmeXml(Optional.empty(), List.of());
    private static final double SQUARE = 1e-3;

    /** @param text a file's description of itself, whatever it is */
    static OmeXml of(String text) {
        if (!text.contains("<OME")) {
            return NONE;
        }
        try {
            Element root = parser().parse(new InputSource(new StringReader(text.strip())))
                    .getDocumentElement();
            NodeList pixels = root.getElementsByTagNameNS("*", "Pixels");
            return pixels.getLength() == 0 ? NONE : of((Element) pixels.item(0));
        } catch (SAXException | IOException | ParserConfigurationException e) {
            return NONE;
        }
    }

    private static DocumentBuilder parser() throws ParserConfigurationException {
        DocumentBuilderFactory factory = DocumentBuilderFactory.newInstance();
        factory.setNamespaceAware(true);
        factory.setXIncludeAware(false);
        factory.setExpandEntityReferences(false);
        factory.setFeature(XMLConstants.FEATURE_SECURE_PROCESSING, true);
        factory.setFeature("http://apache.org/xml/features/disallow-doctype-decl", true);
        factory.setFeature("http://xml.org/sax/features/external-general-entities", false);
        factory.setFeature("http://xml.org/sax/features/external-parameter-entities", false);
        DocumentBuilder builder = factory.newDocumentBuilder();
        builder.setErrorHandler(new DefaultHandler());
        return builder;
    }

    private static OmeXml of(Element pixels) {
        List<String> names = new ArrayList<>();
        NodeList channels = pixels.getElementsByTagNameNS("*", "Channel");
        for (int i = 0; i < channels.getLength(); i++) {
            names.add(((Element) channels.item(i)).getAttribute("Name").strip());
        }
        boolean named = names.stream().noneMatch(String::isEmpty)
                && names.stream().distinct().count() == names.size();
        return new OmeXml(stated(pixels), named ? names : List.of());
    }

    private static Optional<StatedScale> stated(Element pixels) {
        Optional<Scale> x = size(pixels, "X");
        Optional<Scale> y = size(pixels, "Y");
        boolean square = x.isPresent()
                && y.isPresent()
                && Math.abs(x.get().umPerPx() - y.get().umPerPx())
                        <= SQUARE * x.get().umPerPx();
        return square ? x.map(s -> new StatedScale(s, "OME-XML")) : Optional.empty();
    }

    private static Optional<Scale> size(Element pixels, String axis) {
        String unit = pixels.getAttribute("PhysicalSize" + axis + "Unit").strip();
        Optional<LengthUnit> known = switch (unit) {
            case "", "µm", "μm", "um" -> Optional.of(LengthUnit.UM);
            case "nm" -> Optional.of(LengthUnit.NM);
            case "mm" -> Optional.of(LengthUnit.MM);
            case "cm" -> Optional.of(LengthUnit.CM);
            default -> Optional.empty();
        };
        try {
            double amount = Double.parseDouble(pixels.getAttribute("PhysicalSize" + axis));
            return known.map(u -> new Scale(amount, u));
        } catch (IllegalArgumentException e) {
            return Optional.empty();
        }
    }
}
